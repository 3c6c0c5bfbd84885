/** A resource map as a file: YAML with a JSON Schema, whose expressions are read and whose examples are tried at once. */
import { z } from 'zod';
import { KIND_CODES, meterOfKind } from '@/engine/books';
import {
  compileExpression,
  ExpressionFault,
  LONGEST_EXPRESSION,
  type LineRule,
  type PartRule,
  type ResourceMap,
  type ResourceRule,
} from '@/features/review/calc';
import type { Checked } from '@/platform/formats/faults';
import { code, longText, name, unit } from '@/platform/formats/fields';
import { type Example, exampleFault } from './map-examples';
import { readYaml } from './yaml-file';

const expression = z
  .union([z.string(), z.number(), z.boolean()])
  .transform((value) => String(value))
  .pipe(z.string().min(1, 'must not be empty').max(LONGEST_EXPRESSION))
  .superRefine((text, context) => {
    try {
      compileExpression(text);
    } catch (error) {
      if (!(error instanceof ExpressionFault)) throw error;
      context.addIssue({ code: 'custom', message: error.message });
    }
  });

const line = {
  kind: z.enum(KIND_CODES),
  when: expression.optional(),
  count: expression.optional(),
  region: expression.optional(),
  sku: expression.optional(),
  among: z.array(code).min(1).max(200).optional(),
  vcpu: expression.optional(),
  memory: expression.optional(),
  term: expression.optional(),
  usage: z.record(code, z.strictObject({ amount: expression, unit })).optional(),
};

const value: z.ZodType = z.lazy(() =>
  z.union([z.string(), z.number(), z.boolean(), z.null(), z.array(value), z.record(z.string(), value)]),
);

const gives = z.strictObject({
  free: z.boolean().optional(),
  sku: z.string().optional(),
  region: z.string().optional(),
  count: z.string().optional(),
  term: z.string().optional(),
  usage: z.record(code, z.union([z.string(), z.number()]).transform(String)).optional(),
  parts: z.int().min(0).optional(),
});

const example = z.strictObject({
  values: z.record(z.string(), value),
  settings: z.record(z.string(), value).optional(),
  gives,
});

const type = z
  .string()
  .regex(
    /^[A-Za-z][A-Za-z0-9_-]{0,119}$/,
    'must be a type of resource: letters, digits, dashes or underscores',
  );

const part = z.strictObject({ name, each: expression.optional(), ...line });

const rule = z
  .strictObject({
    type,
    free: name.optional(),
    ...line,
    kind: line.kind.optional(),
    parts: z.array(part).max(20).optional(),
    under: name.optional(),
    tags: name.optional(),
    examples: z.array(example).max(20).optional(),
  })
  .superRefine((rule, context) => {
    const refuse = (path: string, message: string): void =>
      context.addIssue({ code: 'custom', path: [path], message });
    const lines = Object.keys(line).filter(
      (key) => key !== 'kind' && rule[key as keyof typeof rule] !== undefined,
    );
    if (rule.free !== undefined) {
      if (rule.kind ?? rule.parts) refuse('free', 'what is free has no kind and no parts');
    } else if (rule.kind === undefined) {
      if (!rule.parts) refuse('kind', 'is missing: a rule has a kind, or parts, or says why it is free');
      else if (lines.length > 0) refuse(lines[0]!, 'belongs to a kind, and the rule has none');
    }
    const names = new Set<string>();
    for (const [at, { name: part }] of (rule.parts ?? []).entries()) {
      // Several of one list are told apart by their number.
      const stem = part.replace(/ \d+$/, '');
      const isTaken =
        names.has(part) ||
        (rule.parts ?? []).some((other) => other.each && other.name === stem && stem !== part);
      if (isTaken)
        context.addIssue({
          code: 'custom',
          path: ['parts', at, 'name'],
          message: `“${part}” is a part already`,
        });
      names.add(part);
    }
    for (const [path, each] of [
      [[], rule] as const,
      ...(rule.parts ?? []).map((each, at) => [['parts', at], each] as const),
    ]) {
      const { kind, usage = {} } = each;
      if (kind === undefined) continue;
      for (const meter of Object.keys(usage))
        if (!meterOfKind(kind, meter))
          context.addIssue({
            code: 'custom',
            path: [...path, 'usage', meter],
            message: `“${kind}” is not billed by “${meter}”`,
          });
    }
  });

const provider = z.strictObject({
  book: code,
  region: expression,
  regions: z.record(z.string(), code).optional(),
});

export const resourceMapSchema = z
  .strictObject({
    wick: z.literal('resource-map'),
    version: z.literal(1),
    title: name,
    about: longText.optional(),
    providers: z.record(code, provider),
    tables: z.record(code, z.record(z.string(), z.union([z.string(), z.number()]))).optional(),
    rules: z.array(rule).max(5000),
  })
  .superRefine(({ rules }, context) => {
    const seen = new Set<string>();
    rules.forEach(({ type: own }, at) => {
      if (seen.has(own))
        context.addIssue({
          code: 'custom',
          path: ['rules', at, 'type'],
          message: `“${own}” has a rule already`,
        });
      seen.add(own);
    });
  });

type MapFile = z.infer<typeof resourceMapSchema>;

/** Refused where an example does not give what it says; `tried` false: they are known to hold. */
export function readResourceMap(text: string, tried = true): Checked<ResourceMap> {
  const schema = tried ? resourceMapSchema.superRefine(tryExamples) : resourceMapSchema;
  const read = readYaml(text, schema);
  return read.ok ? { ok: true, value: mapOf(read.value) } : read;
}

function tryExamples(file: MapFile, context: z.RefinementCtx): void {
  const map = mapOf(file);
  file.rules.forEach(({ examples = [] }, at) =>
    examples.forEach((each, index) => {
      const fault = exampleFault(map, map.rules[at]!, each as Example);
      if (fault) context.addIssue({ code: 'custom', path: ['rules', at, 'examples', index], message: fault });
    }),
  );
}

function mapOf({ title, providers, tables = {}, rules }: MapFile): ResourceMap {
  return { title, providers, tables, rules: rules.map(ruleOf) };
}

function ruleOf({
  type: own,
  free,
  parts,
  under,
  tags,
  examples: _,
  ...rest
}: MapFile['rules'][number]): ResourceRule {
  return {
    type: own,
    ...(free !== undefined && { free }),
    ...(rest.kind !== undefined && { line: rest as LineRule }),
    ...(parts && { parts: parts as readonly PartRule[] }),
    ...(under !== undefined && { under }),
    ...(tags !== undefined && { tags }),
  };
}
