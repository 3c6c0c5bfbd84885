import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, SEVERN } from '@tests/support/designs';
import { KINDS, meterOfKind } from '../books';
import { priceDesign } from '../pricing';
import { conversionFactor } from '../units';
import { applyEdits, choiceIsGuessed, enteredByHand, guessedChoice, usualQuantity, withUsualUse } from './';

const fresh = (kind: (typeof KINDS)[number]['kind']) => componentOf({ id: 'n', kind, place: SEVERN });

describe('what a new line begins with', () => {
  it('is the cheapest of a small size for a server, with an amount and marked as a guess', () => {
    const server = withUsualUse(fresh('server'));
    expect(server.choice).toEqual({ by: 'cheapest', need: { vcpu: '2', memory: '8' } });
    expect(choiceIsGuessed(server)).toBe(true);
    expect(priceDesign(designOf([server]), smallBooks(), 'likely').unpriced).toBe(0);
  });

  it('is a quantity in a unit that fits, for whatever holds or uses something by the month', () => {
    let some = 0;
    for (const { kind } of KINDS) {
      const usual = usualQuantity(kind);
      if (!usual) continue;
      some += 1;
      const meter = meterOfKind(kind, usual.meter)!;
      expect(conversionFactor(usual.entry.unit, meter.enteredIn).ok, kind).toBe(true);
      const line = withUsualUse(fresh(kind));
      expect(line.usage[usual.meter]).toEqual(usual.entry);
      expect(line.guesses).toEqual([`usage/${usual.meter}`]);
    }
    expect(some).toBeGreaterThan(10);
  });

  it('leaves alone what was entered or chosen', () => {
    const chosen = { ...fresh('server'), choice: { by: 'sku' as const, sku: 'A-4' } };
    expect(withUsualUse(chosen)).toBe(chosen);
    const meter = usualQuantity('block-volume')!.meter;
    const entered = {
      ...fresh('block-volume'),
      usage: { [meter]: { amount: { likely: '7' }, unit: 'GiB' } },
    };
    expect(withUsualUse(entered)).toBe(entered);
  });

  it('is a guess no more when somebody enters it', () => {
    const line = guessedChoice(withUsualUse(fresh('block-volume')), { by: 'sku', sku: 'VOL' });
    const [, entry] = line.guesses!;
    expect(entry).toBe('choice');
    const after = applyEdits(designOf([line]), enteredByHand(line, 'choice'));
    if (!after.ok) throw new Error('refused');
    const [left] = after.value.design.sections[0]!.components;
    expect(choiceIsGuessed(left!)).toBe(false);
    expect(left!.guesses).toHaveLength(1);
    expect(enteredByHand(left!, 'choice')).toEqual([]);
  });
});
