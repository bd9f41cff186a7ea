'use client';
/** Whether calls are placed from here; where they are not, phone numbers are for the phone in one's hand. */
import { createContext, useContext, type ReactNode } from 'react';

const Context = createContext(true);
export const useCalling = (): boolean => useContext(Context);

export const CallingProvider = ({ calling, children }: { calling: boolean; children: ReactNode }) => (
  <Context.Provider value={calling}>{children}</Context.Provider>
);
