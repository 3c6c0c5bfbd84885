import { beforeEach, describe, expect, it } from 'vitest';
import { studyAnswer, withGuess } from '@/features/own-or-rent/calc';
import { quayStudy } from '@tests/support/studies';
import { StudyRoom } from './study-room';

let told: string[] = [];
let calledOff = false;
const work = {
  told: (done: number, steps: number) => void told.push(`${done}/${steps}`),
  isCalledOff: () => calledOff,
};

beforeEach(() => {
  told = [];
  calledOff = false;
});

describe('the study worker', () => {
  const study = withGuess(quayStudy(), 'general/hoursOwned', { likely: '1.5', lean: '1', heavy: '2.5' });

  it('answers as the core does, in plain data', async () => {
    const answer = await new StudyRoom().answer({ ask: 'answer', study }, work);
    expect(answer).toEqual(studyAnswer(study, 'pair'));
    expect(await new StudyRoom().answer({ ask: 'whole', study }, work)).toEqual(studyAnswer(study));
    expect(structuredClone(answer)).toEqual(answer);
  });

  it('draws in slices, tells how far it is, and can be called off', async () => {
    const room = new StudyRoom();
    const ask = { ask: 'draws', study, draws: 600, seed: 'x' } as const;
    expect(await room.answer(ask, work)).toMatchObject({ done: 600, seed: 'x' });
    expect(told.at(-1)).toBe('600/600');
    calledOff = true;
    await expect(room.answer({ ...ask, seed: 'y' }, work)).rejects.toThrow('called off');
  });

  it('keeps what took long for the next view that asks the same, and nothing that was called off', async () => {
    const room = new StudyRoom();
    const ask = { ask: 'draws', study, draws: 200, seed: 'x' } as const;
    calledOff = true;
    await expect(room.answer(ask, work)).rejects.toThrow('called off');
    calledOff = false;
    const first = await room.answer(ask, work);
    const steps = told.length;
    expect(await room.answer({ ...ask, study: structuredClone(study) }, work)).toBe(first);
    expect(told).toHaveLength(steps);
    const other = withGuess(study, 'general/pue', { likely: '1.9' });
    expect(await room.answer({ ...ask, study: other }, work)).not.toEqual(first);
    // So many are kept: the first has gone.
    for (let seed = 0; seed < 6; seed += 1) await room.answer({ ...ask, seed: `s${seed}` }, work);
    const again = await room.answer(ask, work);
    expect(again).not.toBe(first);
    expect(again).toEqual(first);
  });

  it('finds what it hangs on, a map of two, and how an amount adds up', async () => {
    const room = new StudyRoom();
    const hangs = await room.answer({ ask: 'hangs', study }, work);
    expect(hangs).toMatchObject({
      swings: expect.arrayContaining([expect.objectContaining({ id: 'general/hoursOwned' })]),
    });
    const pair = { across: 'general/hoursOwned', down: 'general/tariff' };
    expect(await room.answer({ ask: 'map', study, ...pair }, work)).toMatchObject({
      across: expect.any(Array),
    });
    expect(
      await room.answer({ ask: 'map', study, across: 'general/pue', down: 'general/pue' }, work),
    ).toBeNull();
    const wanted = {
      variant: 'keep',
      lines: ['power'],
      from: 0,
      to: 12,
      basis: 'cash',
      title: 'Power',
    } as const;
    const figure = await room.answer({ ask: 'explain', study, wanted }, work);
    expect(figure).toMatchObject({ label: 'Power', parts: [{ label: 'Power' }] });
  });

  it('says what is wrong instead of an answer', async () => {
    const wrong = withGuess(study, 'general/pue', { likely: '0.5' });
    expect(await new StudyRoom().answer({ ask: 'answer', study: wrong }, work)).toMatchObject({
      more: null,
      variants: [],
      troubles: [{ at: 'general/pue', code: 'below' }],
    });
    expect(
      await new StudyRoom().answer({ ask: 'draws', study: wrong, draws: 10, seed: 'x' }, work),
    ).toBeNull();
  });
});
