/**
 * Questions that need no set-up: a line, or a pair of lines, each alone in a design of its own, over the one entry that
 * the question turns on. Needs E18, E19, F10, J3, L6, L18, L22.
 */
import {
  allComponents,
  type Along,
  type Component,
  type Design,
  entriesOf,
  findComponent,
  type NamedEntry,
  READY,
  type Ready,
  type ReadyWish,
  withCased,
} from '@/engine/design';
import { kindOf } from '@/engine/books';
import type { DesignPlan, Pricer } from '@/engine/pricing';
import { commitmentOf, describeTerm, TERMS } from '@/engine/terms';
import { usualAxis, variedAlong } from './along';
import type { CurveAsk, CurveSide } from './model';

const MOST_SIDES = 8;

/**
 * The entries of a line that a question may turn on, the usual one first.
 *
 * @example
 * turnsOn('committed', server).map(({ entry }) => entry); // => ['running/share']
 */
export function turnsOn(ready: Ready, line: Component): NamedEntry[] {
  const entries = entriesOf(asked(ready, line)).filter(({ value }) => value.formula === undefined);
  if (ready === 'committed') return entries.filter(({ entry }) => entry === 'running/share');
  if (ready === 'peaks') return entries.filter(({ entry }) => entry === 'running/hours');
  const rank = ({ entry }: NamedEntry): number =>
    ['load/', 'usage/', 'running/', 'kept/', 'each/', 'count'].findIndex((each) => entry.startsWith(each));
  const place = (each: NamedEntry): number => (rank(each) < 0 ? 9 : rank(each));
  return entries.sort((a, b) => place(a) - place(b));
}

/** The line as the question needs it: asleep for a share, or with a peak. */
function asked(ready: Ready, line: Component): Component {
  if (ready === 'committed') return { ...line, running: { pattern: 'asleep', share: { likely: '0.5' } } };
  return line;
}

/** Why a question cannot be asked of a line, in words. */
export class NotAsked extends Error {}

/**
 * The curve of a question. Throws `NotAsked` with a sentence.
 *
 * @example
 * readyCurve({ ready: 'committed', line: 'a', other: null, entry: null }, plan).sides.map(({ name }) => name)[0]; // => 'on demand'
 */
export function readyCurve(
  { ready, line: id, other, entry }: ReadyWish,
  { design, pricer }: DesignPlan,
): Omit<CurveAsk, 'points'> {
  const found = findComponent(design, id);
  if (!found) throw new NotAsked('The line is not in the design any more.');
  const line = asked(ready, found);
  const entries = turnsOn(ready, found);
  const turning = entries.find((each) => each.entry === entry) ?? entries[0];
  if (!turning) {
    throw new NotAsked(
      ready === 'peaks'
        ? `“${line.name}” has no peak: give it a running pattern with one in the ledger.`
        : `Nothing of “${line.name}” can vary here.`,
    );
  }
  const along: Along = { of: 'entry', line: id, entry: turning.entry };
  const alone = aloneWith(line, design);
  const usual = usualAxis(along, alone)!;
  // A share that only the question puts there is no reading of anybody's.
  const axis = ready === 'committed' ? { ...usual, now: [] } : usual;
  const side = (name: string, component: Component, at: string | null): CurveSide => {
    const own = aloneWith(component, design);
    const varied = variedAlong(along, alone, axis)!;
    return { id: at, name, plan: pricer.plan(own), varied: { ...varied, component: component.id } };
  };
  const sides = priced(sidesOf(), pricer);
  if (sides.length === 0) throw new NotAsked(`“${line.name}” has no amount by itself.`);
  if (sides.length === 1 && ready !== 'alone') throw new NotAsked('There is nothing to put beside it.');
  return { axis, sides, what: { of: 'design' } };

  function sidesOf(): CurveSide[] {
    switch (ready) {
      case 'alone':
        return [side(line.name, line, null)];
      case 'against': {
        const second = other === null ? undefined : findComponent(design, other);
        if (!second || second.id === id) throw new NotAsked('Choose another line to hold it against.');
        return [side(line.name, line, null), side(second.name, sameLoad(second, turning!), second.id)];
      }
      case 'committed':
        return TERMS.filter((term) => term === 'on-demand' || commitmentOf(term)?.exchangeable === false).map(
          (term) => side(describeTerm(term), { ...line, term }, term === 'on-demand' ? null : term),
        );
      case 'classes':
        return others(line, design, pricer).map((each, at) =>
          side(each.name, each.line, at === 0 ? null : each.name),
        );
      case 'peaks':
        return line.running.pattern === 'peaks'
          ? [
              side('with peaks', line, null),
              side(
                'as many all month',
                { ...line, running: { ...line.running, baseline: line.running.peak } },
                'all',
              ),
            ]
          : [];
    }
  }
}

/** The same entry varies in both where both have it; else only the first moves. */
function sameLoad(second: Component, { entry, value }: NamedEntry): Component {
  return entriesOf(second).some((each) => each.entry === entry)
    ? (withCased(second, entry, value) ?? second)
    : second;
}

function aloneWith(component: Component, { alternatives: _, ...design }: Design): Design {
  return { ...design, sections: [{ id: 'alone', name: '', components: [component] }] };
}

/** What has no amount is not drawn. */
function priced(sides: readonly CurveSide[], pricer: Pricer): CurveSide[] {
  return sides.filter(({ plan }) => pricer.price(plan, { case: 'likely' }).unpriced === 0);
}

/** The line with each other offer of its kind in its region: its own first, then those that cost least. */
function others(line: Component, design: Design, pricer: Pricer): { name: string; line: Component }[] {
  const pin = design.books.find(({ book }) => book === line.place?.book);
  const book = pin && pricer.books.get(pin.book, pin.revision);
  if (!book || !line.place || kindOf(line.kind).size !== 'none') return [];
  const own = line.choice.by === 'sku' ? line.choice.sku : null;
  const rows = book.soldIn(line.place.region, line.kind).flatMap(({ sku, name }) => {
    const changed: Component = { ...line, choice: { by: 'sku', sku } };
    const plan = pricer.plan(aloneWith(changed, design));
    const at = pricer.price(plan, { case: 'likely' });
    return at.unpriced > 0 ? [] : [{ name, line: changed, amount: at.monthly.value, own: sku === own }];
  });
  return rows
    .sort(
      (a, b) => Number(b.own) - Number(a.own) || a.amount.comparedTo(b.amount) || (a.name < b.name ? -1 : 1),
    )
    .slice(0, MOST_SIDES);
}

/**
 * Questions that a line can be asked, in order.
 *
 * @example
 * readyFor(server, design); // => ['committed', 'alone']
 */
export function readyFor(line: Component, design: Design): Ready[] {
  const { size, committable, meters, role } = kindOf(line.kind);
  const runs = meters.some(({ from }) => from === 'running');
  const several = allComponents(design).length > 1;
  return READY.filter((each) => {
    switch (each) {
      case 'against':
        return several;
      case 'committed':
        return role === 'part' && committable && runs;
      case 'classes':
        return size === 'none' && role === 'part' && line.place !== null;
      case 'peaks':
        return line.running.pattern === 'peaks';
      case 'alone':
        return true;
    }
  });
}
