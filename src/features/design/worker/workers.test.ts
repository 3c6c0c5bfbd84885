import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bookRoutes } from '@tests/support/book-routes';
import { bookFrom, smallBookFile } from '@tests/support/books';
import { anyComponent, anyDesign, designOf, serverOf, transferOf } from '@tests/support/designs';
import type { Design } from '@/engine/design';
import { priceMonths } from '@/engine/analysis';
import { bareRates, measuresOf } from '@/features/unit-prices/calc';
import { type AmountOf, bookSet, createPricer, planOf, priceDesign } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import type { PlainFigure } from '@/engine/trace';
import { Answerer } from './answer';
import { LoadedBooks } from './loaded-books';
import type { Answers } from './protocol';
import { drawn } from '@tests/support/drawn';

const fakeRoutes = () => bookRoutes(smallBookFile());

const pins = { books: [{ book: 'small', revision: 3 }] };
const design = designOf([serverOf('a'), transferOf('b', { likely: '250', heavy: '900' })], pins);

describe('the worker', () => {
  it('gives the same summary as the server for the same design', async () => {
    const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
    const answer = (await answerer.answer({ ask: 'price', design, version: 1 })) as Answers['price'];
    expect(answer.summary).toEqual(summarise(design, bookSet([bookFrom(smallBookFile())])));
  });

  it('looks through the design and says what each remedy would change', async () => {
    const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
    const findings = (await answerer.answer({ ask: 'checks', design })) as Answers['checks'];
    const once = findings.find((each) => each.check === 'no-second-zone')!;
    expect([once.subject, once.changes]).toEqual(['a', '73']);
    expect(findings.find((each) => each.check === 'no-monitoring')).toMatchObject({
      remedy: null,
      changes: null,
    });
    const moved = designOf([serverOf('a', { place: { book: 'small', region: 'nowhere' } })], pins);
    await expect(answerer.answer({ ask: 'checks', design: moved })).resolves.toBeInstanceOf(Array);
  });

  it('keeps what did not change, and still gives what pricing everything gives', async () => {
    const books = bookSet([bookFrom(smallBookFile())]);
    const steps = fc.array(fc.tuple(fc.nat({ max: 20 }), anyComponent, fc.boolean()), {
      minLength: 1,
      maxLength: 8,
    });
    await fc.assert(
      fc.asyncProperty(anyDesign, steps, async (start, changes) => {
        const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
        let current: Design = { ...start, ...pins };
        for (const [version, [at, component, allowances]] of changes.entries()) {
          const answer = (await answerer.answer({
            ask: 'price',
            design: current,
            version,
          })) as Answers['price'];
          expect(answer.summary).toEqual(summarise(current, books));
          const sections = current.sections.map((section) => ({
            ...section,
            components: section.components.map((each, index) =>
              index === at % 4 ? { ...component, id: each.id } : each,
            ),
          }));
          current = {
            ...current,
            sections,
            assumptions: { ...current.assumptions, countAllowances: allowances },
          };
        }
      }),
      { numRuns: drawn(40) },
    );
  });

  it('tells month by month what the core tells', async () => {
    const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
    const answer = (await answerer.answer({ ask: 'months', design, horizon: 15 })) as Answers['months'];
    const series = priceMonths(planOf(design, bookSet([bookFrom(smallBookFile())])), 'likely', 15);
    expect(answer.rows).toHaveLength(15);
    expect([answer.years.length, answer.quarters.length]).toEqual([2, 5]);
    expect(answer.whole.monthly).toBe(series.whole.monthly.toString());
  });

  it('tells line by line what other revisions would change', async () => {
    const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
    const ask = (books: Design['books']) =>
      answerer.answer({ ask: 'newer', design, books }) as Promise<Answers['newer']>;
    expect((await ask(design.books)).rows).toEqual([]);
    // No such revision: nothing has a price any more.
    const gone = await ask([{ book: 'small', revision: 9 }]);
    expect(gone.rows.map((row) => [row.id, row.after])).toEqual([
      ['a', null],
      ['b', null],
    ]);
    expect(gone.after).toBe('0');
  });

  it('reads only the rates it needs, and each once, however often it prices', async () => {
    const routes = await fakeRoutes();
    const answerer = new Answerer(new LoadedBooks(routes.fetchJson), () => 0);
    for (const version of [1, 2, 3]) await answerer.answer({ ask: 'price', design, version });
    expect(routes.asked).toEqual([
      '/api/books/small/3',
      '/api/books/small/3/rates?region=severn&sku=A-4&sku=OUT',
    ]);
  });

  it('asks for all regions of a book at once, and answers bare rates with what the core says', async () => {
    const routes = await fakeRoutes();
    const loaded = new LoadedBooks(routes.fetchJson);
    const answerer = new Answerer(loaded, () => 0);
    const quantities = { data: '150', requests: '1000000' };
    const answer = await answerer.answer({ ask: 'bare-rates', design, quantities });
    expect(routes.asked).toEqual([
      '/api/books/small/3',
      expect.stringMatching(
        /^\/api\/books\/small\/3\/rates\?region=severn&region=elbe&region=tasman&kind=server/,
      ),
    ]);
    const asked = {
      around: { ...design, sections: [] },
      books: [loaded.get('small', 3)!],
      pricer: createPricer(loaded),
    };
    expect(answer).toEqual(measuresOf(asked.books, quantities).map((measure) => bareRates(measure, asked)));
  });

  it('asks for the first rates beside the catalogue, and takes no others for them', async () => {
    const routes = await fakeRoutes();
    const loaded = new LoadedBooks((path) =>
      path.includes('?')
        ? routes.fetchJson(path)
        : new Promise((resolve) => setTimeout(() => resolve(routes.fetchJson(path)), 20)),
    );
    const other = designOf([serverOf('c', { choice: { by: 'sku', sku: 'A-8' } })], pins);
    // The second is asked before the catalogue is there: its own rates come all the same.
    await Promise.all([loaded.booksFor(design), loaded.booksFor(other)]);
    expect(routes.asked[0]).toContain('/rates?region=severn&sku=A-4');
    expect(priceDesign(design, loaded, 'likely').unpriced).toBe(0);
    expect(priceDesign(other, loaded, 'likely').unpriced).toBe(0);
    expect(routes.asked.filter((path) => path.includes('rates'))).toHaveLength(2);
  });

  it('tries again after a failed read', async () => {
    const routes = await fakeRoutes();
    let down = true;
    const loaded = new LoadedBooks((path) =>
      down ? Promise.reject(new Error('down')) : routes.fetchJson(path),
    );
    await expect(loaded.booksFor(design)).rejects.toThrow('down');
    down = false;
    expect((await loaded.booksFor(design)).get('small', 3)?.title).toBe('Small');
  });

  it('leaves a book that does not exist out, so that its components are not priced', async () => {
    const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
    const lost = { ...design, books: [{ book: 'small', revision: 9 }] };
    const answer = (await answerer.answer({ ask: 'price', design: lost, version: 1 })) as Answers['price'];
    expect(answer.summary.unpriced).toBe(2);
  });

  it('explains components, sections and the design from what was priced', async () => {
    const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
    await answerer.answer({ ask: 'price', design, version: 7 });
    const explain = async (amount: AmountOf) =>
      (await answerer.answer({
        ask: 'explain',
        design,
        version: 7,
        amount,
        case: 'heavy',
      })) as PlainFigure | null;
    expect((await explain({ of: 'component', id: 'b' }))?.value).toBe('125');
    expect((await explain({ of: 'section', id: 'section' }))?.value).toBe('198');
    expect((await explain({ of: 'design' }))?.parts.map((part) => part.value)).toEqual(['198']);
    expect(await explain({ of: 'component', id: 'gone' })).toBeNull();
  });

  it('lists offers and terms for one component', async () => {
    const answerer = new Answerer(new LoadedBooks((await fakeRoutes()).fetchJson), () => 0);
    const component = design.sections[0]!.components[0]!;
    const offers = (await answerer.answer({ ask: 'offers', design, component })) as Answers['offers'];
    expect(offers.find((row) => row.sku === 'A-8')).toMatchObject({
      hourly: '0.19',
      monthly: '138.7',
      soldHere: true,
    });
    const terms = (await answerer.answer({ ask: 'terms', design, component })) as Answers['terms'];
    expect(terms.find((row) => row.term === '36-all')).toMatchObject({
      monthly: null,
      why: expect.stringContaining('not sold here') as string,
    });
  });
});
