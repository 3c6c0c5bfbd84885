/** The lot that prices of a kind are for, from the unit its main meter is entered in. */
import { type Kind, lotOf, mainMeter } from '@/engine/books';

export function lotWords(kind: Kind): string {
  const meter = mainMeter(kind);
  if (!meter) return '';
  return lotOf(meter.from === 'held' ? `${meter.enteredIn}-month` : meter.enteredIn).label;
}
