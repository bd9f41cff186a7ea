'use client';
/** Sums, phone numbers and plain numbers, typed in any usual spelling and shown as they were understood. */
import { readMoney } from '@/core/format';
import { phoneOf, showPhone } from '@/core/capture';
import { useFormat } from '../primitives';
import { TypedField, type TypedFieldProps } from './typed-field';

/** Dollars: `$400k`, `1.2M`, `469,400`. */
export function MoneyField({ width = 130, ...field }: TypedFieldProps<number>) {
  const format = useFormat();
  return (
    <TypedField
      {...field}
      width={width}
      read={readMoney}
      show={(dollars) => format.money(dollars, !Number.isInteger(dollars))}
      help={`Enter a price like ${format.money(400_000)} or 400k`}
    />
  );
}

/** A phone number as `+13605550142`, with `x12` behind it when it has an extension. */
export function PhoneField({ width = 210, ...field }: TypedFieldProps<string>) {
  return (
    <TypedField {...field} width={width} read={readPhone} show={shownPhone} help="Enter a phone number like (360) 555-0142" />
  );
}
const readPhone = (typed: string): string | null => {
  const phone = phoneOf(typed);
  return phone && `${phone.number}${phone.extension ? ` x${phone.extension}` : ''}`;
};
const shownPhone = (value: string): string => {
  const [number = '', extension] = value.split(' x');
  return `${showPhone(number)}${extension ? ` x${extension}` : ''}`;
};

const readNumber = (typed: string): number | null => {
  const text = typed.replace(/[,\s]/g, '');
  return /^\d{1,12}(?:\.\d{1,4})?$/.test(text) ? Number(text) : null;
};
/** A number, with or without commas. */
export function NumberField({ width = 90, ...field }: TypedFieldProps<number>) {
  const format = useFormat();
  return <TypedField {...field} width={width} read={readNumber} show={format.number} help="Enter a number like 3" />;
}
