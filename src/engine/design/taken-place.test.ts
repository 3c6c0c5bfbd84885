import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign, componentOf, designOf, serverOf, SEVERN } from '@tests/support/designs';
import {
  allComponents,
  applyEdits,
  chosenPlace,
  type Component,
  findComponent,
  guessesOf,
  meantPlace,
  placeIsTakenOver,
  withTakenPlace,
} from './';

const elsewhere = { book: 'small', region: 'elbe' };

function after(component: Component, edits: ReturnType<typeof chosenPlace>): Component {
  const applied = applyEdits(designOf([component]), edits);
  if (!applied.ok) throw new Error('refused');
  return findComponent(applied.value.design, component.id)!;
}

describe('a place that was taken over', () => {
  const taken = withTakenPlace(componentOf({ id: 'a', kind: 'server', place: null }), SEVERN);

  it('is marked until somebody chooses it or says that it is meant', () => {
    expect([taken.place, placeIsTakenOver(taken)]).toEqual([SEVERN, true]);
    const moved = after(taken, chosenPlace(taken, elsewhere));
    expect([moved.place, placeIsTakenOver(moved), moved.guesses]).toEqual([elsewhere, false, undefined]);
    const meant = after(taken, meantPlace(taken));
    expect([meant.place, placeIsTakenOver(meant)]).toEqual([SEVERN, false]);
  });

  it('chosen again where it is, is chosen all the same', () => {
    expect(placeIsTakenOver(after(taken, chosenPlace(taken, SEVERN)))).toBe(false);
  });

  it('is no place where there is none to take over', () => {
    const nowhere = withTakenPlace(componentOf({ id: 'a', kind: 'server', place: null }), null);
    expect([nowhere.place, placeIsTakenOver(nowhere), nowhere.guesses]).toEqual([null, false, undefined]);
  });

  it('leaves the guesses about quantities as they are', () => {
    const guessed = withTakenPlace(
      serverOf('a', { place: null, guesses: ['count', 'usage/stored'] }),
      SEVERN,
    );
    expect(guessesOf(guessed)).toEqual(['count', 'usage/stored']);
    expect(after(guessed, meantPlace(guessed)).guesses).toEqual(['count', 'usage/stored']);
  });

  it('needs no edit where the place was chosen, and taking one back marks it again', () => {
    expect(meantPlace(serverOf('a'))).toEqual([]);
    const design = designOf([taken]);
    const applied = applyEdits(design, chosenPlace(taken, elsewhere));
    if (!applied.ok) throw new Error('refused');
    const back = applyEdits(applied.value.design, applied.value.inverse);
    expect(back.ok && back.value.design).toEqual(design);
  });

  it('never changes anything but place and mark', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        for (const component of allComponents(design)) {
          const chosen = after(component, chosenPlace(component, elsewhere));
          expect({ ...chosen, place: component.place }).toEqual(component);
        }
      }),
      { numRuns: 30 },
    );
  });
});
