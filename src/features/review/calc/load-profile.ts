/**
 * The load profile: what a plan cannot know, by pattern of address: use by month in three cases, when it runs, how it is paid.
 * A small file beside the code. Needs O7, O15; opening 40.
 */
import type { Component, UsageEntry } from '@/engine/design';
import type { HeldCommitment } from './held';
import type { Term } from '@/engine/terms';
import type { Load, Running } from '@/engine/usage';

export interface LoadRule {
  /** `*` stands for any characters: `module.web.*`. */
  readonly address: string;
  /** Of which part; absent: of every part whose kind has such a meter. */
  readonly part?: string;
  readonly usage?: Readonly<Record<string, UsageEntry>>;
  readonly running?: Running;
  readonly load?: Load;
  readonly term?: Term;
}

export interface LoadProfile {
  readonly title: string;
  readonly loads: readonly LoadRule[];
  /** Commitments that are held already. */
  readonly held?: readonly HeldCommitment[];
}

export const NO_PROFILE: LoadProfile = { title: '', loads: [] };

/**
 * Whether an address is meant. Takes time in the lengths of both, whatever is asked.
 *
 * @example
 * addressMatches('module.web.*', 'module.web.norvane_machine.front[0]'); // => true
 */
export function addressMatches(pattern: string, address: string): boolean {
  let [at, within] = [0, 0];
  let [star, resume] = [-1, 0];
  while (within < address.length) {
    if (pattern[at] === '*') {
      star = at;
      resume = within;
      at += 1;
    } else if (pattern[at] === address[within]) {
      at += 1;
      within += 1;
    } else if (star >= 0) {
      at = star + 1;
      resume += 1;
      within = resume;
    } else return false;
  }
  while (pattern[at] === '*') at += 1;
  return at === pattern.length;
}

/** Places of the rules that said something, so that those that reach nothing can be told. */
export type UsedRules = Set<number>;

/**
 * A component with what the profile says of its address; the later rule wins, entry by entry.
 *
 * @example
 * loaded(design.sections[0]!.components[0]!, 'x.a', null, { title: '', loads: [{ address: 'x.*', term: '12-none' }] }, new Set()).term; // => '12-none'
 */
export function loaded(
  component: Component,
  address: string,
  part: string | null,
  profile: LoadProfile,
  used: UsedRules,
): Component {
  let made = component;
  profile.loads.forEach((rule, at) => {
    if (!addressMatches(rule.address, address)) return;
    if (rule.part !== undefined && rule.part !== (part ?? '')) return;
    used.add(at);
    const { usage, running, load, term } = rule;
    made = {
      ...made,
      ...(usage && { usage: { ...made.usage, ...usage } }),
      ...(running && { running }),
      ...(load && { load }),
      ...(term && { term }),
    };
  });
  return made;
}
