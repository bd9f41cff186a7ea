/** Doors as pages know them. */
import type { DoorView } from '@/core/capture';
import type { Jsoned } from '@/core/shared';

export type DoorJson = Jsoned<DoorView>;

/** Inquiries of Intake, before more are asked for. */
export const INQUIRIES_SHOWN = 50;
