'use client';
/**
 * Telling a person of a lead: a notice with their name that opens them; by choice a sound, and a notification of the browser while the page is out of
 * sight.
 */
import { useCallback } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { AlertChoice } from '../primitives';

export const NO_ALERTS: AlertChoice = { sound: false, browser: false };

/** Two short tones, up. They are made here: no file is loaded for them. */
function chirp(): void {
  const context = new AudioContext();
  const gain = context.createGain();
  gain.connect(context.destination);
  gain.gain.setValueAtTime(0.12, context.currentTime);
  gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.4);
  for (const [at, hertz] of [
    [0, 880],
    [0.14, 1_320],
  ] as const) {
    const tone = context.createOscillator();
    tone.frequency.value = hertz;
    tone.connect(gain);
    tone.start(context.currentTime + at);
    tone.stop(context.currentTime + at + 0.16);
  }
  setTimeout(() => void context.close(), 800);
}

export const mayNotify = (): boolean => typeof Notification !== 'undefined' && Notification.permission === 'granted';

/** @returns whether the browser will show them, having asked the person */
export const askToNotify = async (): Promise<boolean> =>
  typeof Notification !== 'undefined' && (mayNotify() || (await Notification.requestPermission()) === 'granted');

export interface LeadAlert {
  title: string;
  body: string;
  /** The same lead is told once, however often it is heard of. */
  tag: string;
  onOpen: () => void;
}

const told = new Set<string>();

/** @returns tells of a lead as the person chose */
export function useLeadAlert(): (alert: LeadAlert) => void {
  const queries = useQueryClient();
  return useCallback(
    (alert) => {
      if (told.has(alert.tag)) return;
      told.add(alert.tag);
      const { lead_alerts: choice = NO_ALERTS } = queries.getQueryData<{ lead_alerts?: AlertChoice }>(['preferences']) ?? {};
      if (choice.sound) chirp();
      if (!choice.browser || !mayNotify() || document.visibilityState === 'visible') return;
      const notification = new Notification(alert.title, { body: alert.body, tag: alert.tag });
      notification.onclick = () => {
        window.focus();
        alert.onOpen();
        notification.close();
      };
    },
    [queries],
  );
}
