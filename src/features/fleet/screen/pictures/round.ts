/** Numbers of pictures: whole, and shares of three digits. */
import { decimal } from '@/engine/base';
import { writeNumber, writeShare } from '@/platform/words';

export const number = (value: number): string => writeNumber(String(Math.round(value)));
export const share = (value: number): string => writeShare(decimal(value.toPrecision(3)));
