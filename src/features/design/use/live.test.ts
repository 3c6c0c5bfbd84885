import { describe, expect, it } from 'vitest';
import { LiveHub } from './live';
import { memoryFeeds } from '@/platform/use/change-feed';

describe('whoever has a design open', () => {
  const told = () => new Promise((resolve) => setTimeout(resolve, 80));

  it('hears of every save of it and of nothing else, and how many there are', async () => {
    const hub = new LiveHub(memoryFeeds()(), 'here');
    const heard: string[] = [];
    const listener = (name: string) => ({
      revision: (revision: number) => void heard.push(`${name} r${revision}`),
      present: (count: number) => void heard.push(`${name} sees ${count}`),
    });
    const leave = hub.join('one', listener('ada'));
    hub.join('one', listener('ben'));
    hub.join('two', listener('cid'));
    await told();
    hub.saved('one', 7);
    leave();
    leave();
    hub.saved('one', 8);
    hub.saved('three', 1);
    await told();
    expect(heard).toEqual([
      'ada sees 2',
      'ben sees 2',
      'cid sees 1',
      'ada r7',
      'ben r7',
      'ben r8',
      'ben sees 1',
    ]);
  });

  it('is told together however many come, and the hundredth is the last that is taken', async () => {
    const hub = new LiveHub(memoryFeeds()(), 'here');
    let calls = 0;
    const listener = () => ({ revision: () => undefined, present: () => void (calls += 1) });
    const leave = Array.from({ length: 100 }, () => hub.join('one', listener()));
    expect(() => hub.join('one', listener())).toThrow('so many windows');
    await told();
    expect(calls).toBeLessThanOrEqual(100);
    leave[0]!();
    expect(() => hub.join('one', listener())).not.toThrow();
    expect(() => hub.join('two', listener())).not.toThrow();
  });

  it('hears of saves and of people in other processes, and no longer of those that went away', async () => {
    const feed = memoryFeeds();
    let now = 0;
    const [one, two] = ['one', 'two'].map((name) => new LiveHub(feed(), name, () => now));
    const heard: string[] = [];
    const listener = (name: string) => ({
      revision: (revision: number) => void heard.push(`${name} r${revision}`),
      present: (count: number) => void heard.push(`${name} sees ${count}`),
    });
    one!.join('design', listener('ada'));
    await told();
    const leave = two!.join('design', listener('ben'));
    await told();
    await told();
    expect(heard.filter((each) => each.startsWith('ada')).at(-1)).toBe('ada sees 2');
    expect(heard.filter((each) => each.startsWith('ben')).at(-1)).toBe('ben sees 2');
    // Told by the database to all, and once to each, though the process that saved told its own already.
    one!.saved('design', 4);
    feed().tell({ what: 'saved', design: 'design', revision: 4 });
    expect(heard.filter((each) => each.endsWith('r4'))).toEqual(['ada r4', 'ben r4']);
    leave();
    await told();
    await told();
    expect(heard.at(-1)).toBe('ada sees 1');
    // A process that was killed says nothing more.
    feed().tell({ what: 'present', design: 'design', process: 'killed', count: 3 });
    await told();
    expect(heard.at(-1)).toBe('ada sees 4');
    now = 60_000;
    one!.join('design', listener('cid'));
    await told();
    expect(heard.at(-1)).toBe('cid sees 2');
    one!.close();
    two!.close();
  });

  it('is told what was missed while the connection was away', async () => {
    const hearers: { back(): void }[] = [];
    const hub = new LiveHub(
      {
        tell: () => undefined,
        listen: (hearer) => {
          hearers.push(hearer);
          return () => undefined;
        },
        newest: (designs) => Promise.resolve(new Map(designs.map((design) => [design, 9]))),
      },
      'here',
    );
    const heard: number[] = [];
    hub.join('design', { revision: (revision) => void heard.push(revision), present: () => undefined });
    hub.saved('design', 5);
    hearers[0]!.back();
    await told();
    expect(heard).toEqual([5, 9]);
    hub.close();
  });
});
