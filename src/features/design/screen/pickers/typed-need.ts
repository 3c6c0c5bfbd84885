/**
 * What is needed, typed in the search of the offers: "4/16" or "8 vCPU 32" for a size, "500 GB ssd" for so much of
 * something. Whatever is no need is looked for as words.
 */
import { mainMeter } from '@/engine/books';
import type { Component, UsageEntry } from '@/engine/design';
import { readQuantity } from '@/engine/units';

export interface TypedNeed {
  /** At least; null: nothing was said. */
  readonly vcpu: string | null;
  /** GiB, at least. */
  readonly memory: string | null;
  /** How much of it. */
  readonly amount: Pick<UsageEntry, 'amount' | 'unit'> | null;
  readonly words: string;
}

const SIZE = /(?:^|\s)(\d+(?:\.\d+)?)\s*\/\s*(\d+(?:\.\d+)?)(?=\s|$)/;
const CPU = /(?:^|\s)(\d+(?:\.\d+)?)\s*v?cpus?(?=\s|$)/i;
const MEMORY = /(?:^|\s)(\d+(?:\.\d+)?)\s*(?:gib|gb|g)?(?=\s|$)/i;

export function readNeed(text: string, { kind }: Pick<Component, 'kind'>): TypedNeed {
  return kind === 'server' ? sizeOf(text) : amountOf(text, kind);
}

function sizeOf(text: string): TypedNeed {
  const size = SIZE.exec(text);
  if (size) return { vcpu: size[1]!, memory: size[2]!, amount: null, words: without(text, size) };
  const cpu = CPU.exec(text);
  if (!cpu) return { vcpu: null, memory: null, amount: null, words: text };
  const rest = without(text, cpu);
  const memory = MEMORY.exec(rest);
  return {
    vcpu: cpu[1]!,
    memory: memory?.[1] ?? null,
    amount: null,
    words: memory ? without(rest, memory) : rest,
  };
}

/** A number with its unit, at the beginning; a bare number may be part of a name. */
function amountOf(text: string, kind: Component['kind']): TypedNeed {
  const none = { vcpu: null, memory: null, amount: null, words: text };
  const meter = mainMeter(kind);
  const found = /^\s*(\d[\d.]*)\s*([^\d\s.,/]\S*)(?=\s|$)/.exec(text);
  if (!meter || !found) return none;
  const quantity = readQuantity(`${found[1]} ${found[2]}`, meter.enteredIn);
  if (!quantity.ok) return none;
  const { amount, unit } = quantity.value;
  return { ...none, amount: { amount: { likely: amount.toString() }, unit }, words: without(text, found) };
}

function without(text: string, { 0: part, index }: RegExpExecArray): string {
  return `${text.slice(0, index)} ${text.slice(index + part.length)}`.trim();
}

/** The need in words: "at least 4 vCPU and 16 GiB", "500 GB of it"; empty without one. */
export function needWords({ vcpu, memory, amount }: TypedNeed): string {
  if (amount) return `${amount.amount.likely} ${amount.unit} of it`;
  const parts = [vcpu && `${vcpu} vCPU`, memory && `${memory} GiB`].filter(Boolean);
  return parts.length > 0 ? `at least ${parts.join(' and ')}` : '';
}
