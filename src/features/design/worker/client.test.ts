import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyComponent, anyDesign, designOf, serverOf } from '@tests/support/designs';
import { allComponents, type Component, type Design } from '@/engine/design';
import { PricingClient, WithdrawnError } from './client';
import { heard, newsOf } from './news';
import type { Question, Reply, Request } from './protocol';

const design = designOf([serverOf('a'), serverOf('b')]);
const component = allComponents(design)[0]!;

class FakeWorker {
  onmessage: ((event: { data: Reply }) => void) | null = null;
  onerror: (() => void) | null = null;
  readonly sent: Request[] = [];
  terminated = false;
  postMessage(request: Request): void {
    this.sent.push(structuredClone(request));
  }
  terminate(): void {
    this.terminated = true;
  }
  answer(answer: unknown): void {
    this.onmessage?.({ data: { id: this.sent.at(-1)!.id, ok: true, answer: answer as never } });
  }
  refuse(message: string): void {
    this.onmessage?.({ data: { id: this.sent.at(-1)!.id, ok: false, message } });
  }
}

function started() {
  const workers: FakeWorker[] = [];
  const client = new PricingClient(() => {
    workers.push(new FakeWorker());
    return workers.at(-1) as unknown as Worker;
  });
  return { client, workers, quick: workers[0]! };
}

const price = (version: number, of: Design = design) => ({ ask: 'price', design: of, version }) as const;
const months: Question = { ask: 'months', design, horizon: 12 };
const checks: Question = { ask: 'checks', design };

describe('the page’s side of the workers', () => {
  it('asks one question at a time, and passes answers and errors on', async () => {
    const { client, quick } = started();
    const first = client.ask({ ask: 'offers', design, component });
    const second = client.ask({ ask: 'terms', design, component });
    expect(quick.sent.map(({ ask }) => ask)).toEqual(['offers']);
    quick.answer([]);
    await expect(first).resolves.toEqual([]);
    expect(quick.sent.map(({ ask }) => ask)).toEqual(['offers', 'terms']);
    quick.refuse('No books.');
    await expect(second).rejects.toThrow('No books.');
  });

  it('keeps heavy questions off the worker that a keystroke waits for, and starts theirs when needed', async () => {
    const { client, workers, quick } = started();
    void client.ask(price(1));
    expect(workers).toHaveLength(1);
    void client.ask(checks);
    expect(workers).toHaveLength(2);
    quick.answer({ version: 1 });
    void client.ask(price(2));
    expect(quick.sent.map(({ ask }) => ask)).toEqual(['price', 'price']);
    expect(workers[1]!.sent.map(({ ask }) => ask)).toEqual(['checks']);
  });

  it('lets the checklist wait behind what is answered sooner', () => {
    const { client, workers } = started();
    void client.ask({ ask: 'newer', design, books: [] });
    void client.ask(checks);
    void client.ask(months);
    const [, heavy] = workers;
    heavy!.answer(null);
    heavy!.answer(null);
    expect(heavy!.sent.map(({ ask }) => ask)).toEqual(['newer', 'months', 'checks']);
  });

  it('withdraws a question: one that waits is never asked, one that was asked is answered to nobody', async () => {
    const { client, quick } = started();
    const [asked, waiting] = [new AbortController(), new AbortController()];
    const first = client.ask(price(1), asked.signal);
    const second = client.ask(price(2), waiting.signal);
    const third = client.ask(price(3));
    waiting.abort();
    asked.abort();
    await expect(first).rejects.toBeInstanceOf(WithdrawnError);
    await expect(second).rejects.toBeInstanceOf(WithdrawnError);
    quick.answer({ version: 1 });
    quick.answer({ version: 3 });
    await expect(third).resolves.toEqual({ version: 3 });
    expect(quick.sent.map((each) => 'version' in each && each.version)).toEqual([1, 3]);
    await expect(client.ask(price(4), AbortSignal.abort())).rejects.toBeInstanceOf(WithdrawnError);
  });

  it('rejects whatever is open, and whatever comes later, when it is closed or cannot run', async () => {
    const { client, workers, quick } = started();
    const open = [client.ask(price(1)), client.ask(price(2)), client.ask(checks)];
    client.close();
    for (const each of open) await expect(each).rejects.toThrow('was left');
    expect(workers.every((each) => each.terminated)).toBe(true);
    await expect(client.ask(price(3))).rejects.toThrow('was left');
    const broken = started();
    const waiting = broken.client.ask(price(1));
    broken.quick.onerror?.();
    await expect(waiting).rejects.toThrow(/could not start/);
    // What waited was never asked.
    expect(quick.sent).toHaveLength(1);
  });

  it('tells the whole design once, then what is new, and all of it again after a failure', async () => {
    const { client, quick } = started();
    void client.ask(price(1));
    quick.answer({});
    const [, other] = allComponents(design);
    const changed = { ...component, count: { likely: '7' } };
    const next: Design = { ...design, sections: [{ ...design.sections[0]!, components: [changed, other!] }] };
    const failing = client.ask(price(2, next));
    expect(quick.sent[0]!.news).toEqual({ whole: design });
    const { components: _own, ...section } = design.sections[0]!;
    expect(quick.sent[1]!.news).toEqual({
      rest: null,
      sections: [{ section, components: [changed, 1] }],
    });
    quick.refuse('no');
    await expect(failing).rejects.toThrow('no');
    void client.ask(price(3, next));
    expect(quick.sent[2]!.news).toEqual({ whole: next });
  });
});

describe('news of a design', () => {
  const change = fc.tuple(fc.nat({ max: 20 }), anyComponent, fc.nat({ max: 4 }));

  const next = (from: Design, [at, fresh, how]: readonly [number, Omit<Component, 'id'>, number]): Design => {
    const edit = (components: readonly Component[]): readonly Component[] => {
      if (how === 1) return [...components].reverse();
      if (how === 2) return components.slice(1);
      if (how === 3) return [...components, { ...fresh, id: `new-${at}` }];
      return components.map((each, index) => (index === at % 4 ? { ...fresh, id: each.id } : each));
    };
    if (how === 4) return { ...from, title: `${from.title}!`, sections: [...from.sections].reverse() };
    const sections = from.sections.map((section, index) =>
      index === at % from.sections.length ? { ...section, components: edit(section.components) } : section,
    );
    return { ...from, sections };
  };

  it('bring the same design to the other side, unchanged components as the objects they were', () => {
    fc.assert(
      fc.property(anyDesign, fc.array(change, { maxLength: 6 }), (start, changes) => {
        let here: Design = start;
        let told: Design | null = null;
        let there: Design | null = null;
        for (const each of [null, ...changes]) {
          if (each) here = next(here, each);
          const before: Design | null = there;
          there = heard(before, structuredClone(newsOf(told, here)));
          expect(there).toEqual(here);
          if (told && before) {
            const old: readonly Component[] = allComponents(told);
            const oldThere = allComponents(before);
            const now = allComponents(there);
            allComponents(here).forEach((one, at) => {
              if (old.includes(one)) expect(now[at]).toBe(oldThere[old.indexOf(one)]);
            });
          }
          told = here;
        }
      }),
    );
  });

  it('are small: a keystroke sends one component', () => {
    const many = designOf(Array.from({ length: 200 }, (_, at) => serverOf(`s${at}`)));
    const after = next(many, [2, { ...serverOf('x'), name: 'Other' }, 0]);
    expect(JSON.stringify(newsOf(many, after)).length).toBeLessThan(2500);
    expect(JSON.stringify(many).length).toBeGreaterThan(30_000);
  });

  it('that follow on another design are refused', () => {
    expect(() => heard(null, { rest: null, sections: null })).toThrow('never told');
    expect(() => heard(designOf([]), { rest: null, sections: [3] })).toThrow('another design');
  });
});
