/** "1 resource", "1 200 resources". */
import { writeNumber } from '@/platform/words';

export const countWords = (count: number, one: string): string =>
  `${writeNumber(String(count))} ${one}${count === 1 ? '' : 's'}`;
