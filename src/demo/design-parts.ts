/** Short ways to write the demo's designs. */
import type { Assumptions, Component, Design, Section } from '@/engine/design';
import { DEFAULT_MONTH } from '@/engine/time';
import { ALWAYS, inAllCases } from '@/engine/usage';
import { DEMO_REVISIONS } from './generate-book';
import { DEMO_PROFILES } from './profiles';

const LATEST = DEMO_REVISIONS[DEMO_REVISIONS.length - 1]!.number;
const SEVERN = { book: 'norvane', region: 'severn-1' };

export type Part = Partial<Component> & Pick<Component, 'name' | 'kind'>;

export const sku = (code: string): Component['choice'] => ({ by: 'sku', sku: code });

export function designOf(
  title: string,
  description: string,
  sections: readonly (readonly [string, readonly Part[]])[],
  assumptions: Partial<Assumptions> = {},
  /** Books that it has not taken the newest revision of. */
  behind: Readonly<Record<string, number>> = {},
): Design {
  return {
    title,
    description,
    currency: 'USD',
    assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange: [], ...assumptions },
    books: DEMO_PROFILES.map((profile) => ({
      book: profile.key,
      revision: behind[profile.key] ?? LATEST,
    })),
    sections: sections.map(([name, parts], at) => sectionOf(name, parts, at + 1)),
  };
}

function sectionOf(name: string, parts: readonly Part[], number: number): Section {
  return {
    id: `s${number}`,
    name,
    components: parts.map((part, index) => ({
      id: `s${number}c${index + 1}`,
      count: inAllCases('1'),
      place: SEVERN,
      choice: { by: 'none' },
      running: ALWAYS,
      usage: {},
      term: 'on-demand',
      ...part,
    })),
  };
}
