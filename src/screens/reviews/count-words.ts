/** "1 resource", "1 200 resources". */
import { writeNumber } from '@/core/display';

export const countWords = (count: number, one: string): string =>
  `${writeNumber(String(count))} ${one}${count === 1 ? '' : 's'}`;
