/**
 * Nothing that a file can say is quietly without effect: every field of a design and of a price book is read by the
 * calculation, or is a note for people. A new field fails here until somebody says which.
 */
import fs from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { designFileSchema } from '@/features/design/format/design';
import { priceBookSchema } from '@/features/price-books/format/price-book-schema';

/** Read by people, searches, comparisons or other screens; no amount follows from it. */
const NOTES: Readonly<Record<'design' | 'book', readonly string[]>> = {
  design: [
    'format',
    'version',
    'priced',
    'design.title',
    'design.description',
    // Answers of the checklist.
    'design.answers',
    'design.answers.check',
    'design.answers.subject',
    'design.answers.reason',
    // Read by `features/compare`; see below.
    'design.alternatives',
    // How far ahead is looked, and what is aimed at.
    'design.assumptions.horizon',
    'design.assumptions.budget',
    // Read by axes, comparisons and the checklist.
    'design.assumptions.residence',
    // How the range of a driver is drawn.
    'design.assumptions.drivers.scale',
    // Read by simulations.
    'design.assumptions.drivers.measured',
    'design.assumptions.together',
    'design.assumptions.together.name',
    'design.assumptions.together.rank',
    'design.assumptions.together.inputs',
    'design.assumptions.together.inputs.component',
    'design.assumptions.together.inputs.entry',
    'design.sections.name',
    'design.sections.id',
    'design.sections.components.zones',
    'design.sections.components.mayBeStopped',
    'design.sections.components.guesses',
    'design.sections.components.measured',
    'design.sections.components.origin',
    'design.sections.components.tags',
    // Where new lines are placed.
    'design.place',
    'design.sections.place',
  ],
  book: [
    'format',
    'version',
    'book.title',
    'book.provider',
    // What designs find it by.
    'revision.number',
    'revision.effective',
    'revision.source',
    'regions.name',
    'regions.country',
    'regions.latitude',
    'regions.longitude',
    'regions.carbon',
    'regions.bands',
    // By which a nearest equivalent is looked for.
    'regions.area',
    'offers.name',
    'offers.processor',
    'offers.retires',
    'offers.replacedBy',
    'offers.note',
    'offers.service',
    'rates.charge.dimensions.label',
  ],
};

type Node = {
  readonly properties?: Readonly<Record<string, Node>>;
  readonly items?: Node;
  readonly anyOf?: readonly Node[];
  readonly oneOf?: readonly Node[];
  readonly additionalProperties?: Node | boolean;
};

function fieldsOf(node: Node, at = ''): string[] {
  const inner = [...(node.anyOf ?? []), ...(node.oneOf ?? []), ...(node.items ? [node.items] : [])];
  const free = typeof node.additionalProperties === 'object' ? fieldsOf(node.additionalProperties, at) : [];
  const own = Object.entries(node.properties ?? {}).flatMap(([name, child]) => {
    const here = at ? `${at}.${name}` : name;
    return [here, ...fieldsOf(child, here)];
  });
  return [...new Set([...own, ...free, ...inner.flatMap((each) => fieldsOf(each, at))])];
}

const FOLDERS = ['pricing', 'usage', 'rates', 'terms', 'sizing', 'time', 'books'].map(
  (each) => `engine/${each}`,
);
const sourceOf = (folder: string): string => {
  const full = path.resolve('src', folder);
  return fs
    .readdirSync(full)
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .map((name) => fs.readFileSync(path.join(full, name), 'utf8'))
    .join('\n');
};
const source = FOLDERS.map(sourceOf).join('\n');

/** What is kept is asked again and answered in reports; its tests ask every kind of it. */
const KEPT = 'design.assumptions.kept';

/** Their changes are applied before anything is calculated; edits in them set fields that are looked at above. */
const ALTERNATIVES = 'design.alternatives.';

/** The calculation reads a field of this name: as a property, or taken out of its object. */
function isRead(field: string, by = source): boolean {
  const name = field.split('.').at(-1)!;
  return new RegExp(`\\.${name}\\b|[{,]\\s*${name}\\s*[,:}=]`).test(by);
}

describe('every field that a file can carry', () => {
  it.each([
    ['design', fieldsOf(z.toJSONSchema(designFileSchema, { unrepresentable: 'any' }) as Node)],
    ['book', fieldsOf(z.toJSONSchema(priceBookSchema) as Node)],
  ] as const)('of a %s is used by the calculation or marked as a note', (kind, fields) => {
    expect(fields.length).toBeGreaterThan(60);
    const notes = new Set(NOTES[kind]);
    expect(
      [...notes].filter((note) => !fields.includes(note)),
      'notes that no file has',
    ).toEqual([]);
    const neither = fields
      .filter((field) => !field.startsWith(ALTERNATIVES) && !field.startsWith(KEPT))
      .filter((field) => !notes.has(field) && !isRead(field));
    expect(neither, 'neither used nor a note').toEqual([]);
  });

  it('of an alternative is applied, or is a note', () => {
    const notes = ['id', 'name', 'note'].map((name) => `${ALTERNATIVES}${name}`);
    const by = sourceOf('features/compare/calc/alternatives') + sourceOf('engine/moving');
    const fields = fieldsOf(z.toJSONSchema(designFileSchema, { unrepresentable: 'any' }) as Node).filter(
      (field) => field.startsWith(ALTERNATIVES) && !field.startsWith(`${ALTERNATIVES}changes.edit.`),
    );
    expect(fields.length).toBeGreaterThan(12);
    expect(fields.filter((field) => !notes.includes(field) && !isRead(field, by))).toEqual([]);
  });
});
