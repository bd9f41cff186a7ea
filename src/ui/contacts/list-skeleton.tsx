/** Contacts before they are read: the shape of what comes. */
import { Area, Skeleton } from '../kit';

export const ListSkeleton = () => (
  <Area label="Contacts" fill>
    <Skeleton lines={2} height={32} label="Loading segments" />
    <Skeleton lines={14} height={40} label="Loading contacts" />
  </Area>
);
