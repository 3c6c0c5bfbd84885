/** Numbers of pictures: whole, and shares of three digits. */
import { decimal } from '@/core/base';
import { writeNumber, writeShare } from '@/core/display';

export const number = (value: number): string => writeNumber(String(Math.round(value)));
export const share = (value: number): string => writeShare(decimal(value.toPrecision(3)));
