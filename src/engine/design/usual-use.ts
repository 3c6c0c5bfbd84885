/**
 * What a new line begins with, so that it has an amount at once: a need and a quantity that many begin with. Everything is
 * marked as a guess, to be put right. Need: a line shows its amount while it is written.
 */
import { type Kind, mainMeter, kindOf } from '../books';
import { unitOf } from '../units';
import type { Choice, Component, UsageEntry } from './component';
import type { Edit } from './edit';

/** How a guessed choice is marked. */
export const CHOICE = 'choice';

/** By dimension: so much of the main quantity, and in which unit. Other dimensions have no usual amount. */
const USUAL: Readonly<Record<string, readonly [amount: string, unit: string]>> = {
  data: ['100', 'GB'],
  count: ['1', 'million requests'],
  item: ['10', 'item'],
  user: ['10', 'user'],
};

const NEED: Choice = { by: 'cheapest', need: { vcpu: '2', memory: '8' } };

/**
 * The usual main quantity of a kind that holds or uses something by the month; null: it has none.
 *
 * @example
 * usualQuantity('block-volume')?.meter; // => 'capacity'
 */
export function usualQuantity(kind: Kind): { readonly meter: string; readonly entry: UsageEntry } | null {
  const meter = mainMeter(kind);
  if (!meter || (meter.from !== 'held' && meter.from !== 'monthly')) return null;
  const unit = unitOf(meter.enteredIn);
  const usual = unit.ok ? USUAL[unit.value.dimension] : undefined;
  if (!usual) return null;
  const [likely, of] = usual;
  return { meter: meter.meter, entry: { amount: { likely }, unit: of } };
}

/**
 * A new component with the usual need and quantity where nothing was said.
 *
 * @example
 * Object.keys(withUsualUse(anyOfKind('block-volume', null)).usage); // => ['capacity']
 */
export function withUsualUse(component: Component): Component {
  if (kindOf(component.kind).ranked && component.choice.by === 'none') return guessedChoice(component, NEED);
  const usual = usualQuantity(component.kind);
  if (!usual || component.usage[usual.meter]) return component;
  const usage = { ...component.usage, [usual.meter]: usual.entry };
  return withGuess({ ...component, usage }, `usage/${usual.meter}`);
}

/**
 * The choice is nobody's yet.
 *
 * @example
 * guessedChoice(server, { by: 'sku', sku: 'A-8' }).guesses; // => ['choice']
 */
export function guessedChoice(component: Component, choice: Choice): Component {
  return withGuess({ ...component, choice }, CHOICE);
}

/**
 * @example
 * choiceIsGuessed({ guesses: ['choice'] }); // => true
 */
export function choiceIsGuessed({ guesses }: Pick<Component, 'guesses'>): boolean {
  return guesses?.includes(CHOICE) ?? false;
}

/**
 * Says that an entry is a guess no more: somebody entered it. No edits where it was none.
 *
 * @example
 * enteredByHand({ id: 'a', guesses: ['count'] }, 'count'); // => [{ edit: 'set-component', id: 'a', field: 'guesses', value: null }]
 */
export function enteredByHand({ id, guesses }: Pick<Component, 'id' | 'guesses'>, entry: string): Edit[] {
  if (!guesses?.includes(entry)) return [];
  const rest = guesses.filter((each) => each !== entry);
  return [{ edit: 'set-component', id, field: 'guesses', value: rest.length > 0 ? rest : null }];
}

function withGuess(component: Component, entry: string): Component {
  return { ...component, guesses: [...(component.guesses ?? []), entry] };
}
