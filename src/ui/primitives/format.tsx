'use client';
/** The formats of whoever looks at the page. */
import { createContext, useContext, type ReactNode } from 'react';
import { DEFAULT_FORMAT, formatOf, type Format, type FormatChoice } from '@/core/format';

const Context = createContext<Format>(formatOf(DEFAULT_FORMAT));
export const useFormat = (): Format => useContext(Context);

export const FormatProvider = ({ choice, children }: { choice: FormatChoice; children: ReactNode }) => (
  <Context.Provider value={formatOf(choice)}>{children}</Context.Provider>
);
