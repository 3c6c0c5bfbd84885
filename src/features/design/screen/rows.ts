/** The rows of the ledger: sections, their components, a blank line to write on, and one for a new section. */
import { type Component, type Design, type Section, withTakenPlace } from '@/engine/design';
import type { DesignSummary, LineSummary, SectionSummary } from '@/engine/summary';
import { inAllCases } from '@/engine/usage';
import type { LedgerRow } from '@/platform/ui/ledger';

export type Row =
  | { readonly kind: 'section'; readonly section: Section; readonly summary: SectionSummary | null }
  | {
      readonly kind: 'component';
      readonly component: Component;
      readonly section: Section;
      readonly line: LineSummary | null;
    }
  | { readonly kind: 'next-component'; readonly section: Section }
  | { readonly kind: 'next-section' };

export function rowsOf(design: Design, summary: DesignSummary | null): LedgerRow<Row>[] {
  const sections = new Map(summary?.sections.map((section) => [section.id, section]));
  const lines = new Map(
    summary?.sections.flatMap((section) => section.lines.map((line) => [line.id, line] as const)),
  );
  return [
    ...design.sections.flatMap((section): LedgerRow<Row>[] => [
      {
        key: section.id,
        level: 'head',
        data: { kind: 'section', section, summary: sections.get(section.id) ?? null },
      },
      ...section.components.map((component): LedgerRow<Row> => ({
        key: component.id,
        level: 'line',
        data: { kind: 'component', component, section, line: lines.get(component.id) ?? null },
      })),
      { key: `${section.id}/next`, level: 'blank', data: { kind: 'next-component', section } },
    ]),
    { key: 'next-section', level: 'blank', data: { kind: 'next-section' } },
  ];
}

/** The right end of the scale that all wicks share. */
export function widestOf(summary: DesignSummary | null): number {
  return Math.max(0, ...(summary?.sections.map((section) => Number(section.wick.high)) ?? []));
}

/** A new component of a kind, placed where its section or the design says, else where the last line is. */
export function newComponent(
  design: Design,
  section: Section,
  kind: Component['kind'],
  label: string,
  id: string,
): Component {
  const before = [...section.components].reverse().find((each) => each.place);
  const anywhere = design.sections.flatMap((each) => each.components).find((each) => each.place);
  const fresh: Component = {
    id,
    name: label,
    kind,
    count: inAllCases('1'),
    place: null,
    choice: { by: 'none' },
    running: { pattern: 'always' },
    usage: {},
    term: 'on-demand',
  };
  if (kind === 'custom') return fresh;
  const said = section.place ?? design.place ?? null;
  return said ? { ...fresh, place: said } : withTakenPlace(fresh, (before ?? anywhere)?.place ?? null);
}
