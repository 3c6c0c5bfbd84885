/** The examples in the docstrings of what is pure (engine, features' calc and words), found and run. */
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { smallBookFile, smallBooks, bookFrom } from './books';
import { designOf, serverOf } from './designs';

const SRC = path.resolve(import.meta.dirname, '../../src');
const PURE = /^(engine\/[^/]+|features\/[^/]+\/(calc|words)(\/[^/]+)?|platform\/(tables|words))\/index\.ts$/;

export interface PublicFunction {
  readonly module: string;
  readonly name: string;
  readonly file: string;
  /** Without the comment's stars; null: it has none. */
  readonly example: string | null;
}

/** Folders with an index. */
const MODULES = fs
  .readdirSync(SRC, { recursive: true, encoding: 'utf8' })
  .filter((file) => PURE.test(file))
  .map((file) => path.dirname(file))
  .sort();

/** What each module's index gives to others, each function at the module where it is written. */
export function publicFunctions(): PublicFunction[] {
  const roots = MODULES.map((name) => path.join(SRC, name, 'index.ts'));
  const program = ts.createProgram(roots, {
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    noLib: true,
    types: [],
  });
  const checker = program.getTypeChecker();
  return MODULES.flatMap((module) => {
    const index = program.getSourceFile(path.join(SRC, module, 'index.ts'))!;
    return checker.getExportsOfModule(checker.getSymbolAtLocation(index)!).flatMap((exported) => {
      const symbol = exported.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(exported) : exported;
      const declared = symbol.declarations?.[0];
      if (!declared || !ts.isFunctionDeclaration(declared)) return [];
      const file = declared.getSourceFile().fileName;
      if (!path.relative(SRC, file).startsWith(`${module}/`)) return [];
      const tag = ts.getJSDocTags(declared).find((each) => each.tagName.text === 'example');
      const text = tag && ts.getTextOfJSDocComment(tag.comment);
      return [{ module, name: symbol.name, file, example: text ?? null }];
    });
  });
}

/** Everything that these give, and a small world: a design of two servers A-4 at 0.10 an hour, and its books. */
export async function world(): Promise<Record<string, unknown>> {
  const all: Record<string, unknown> = {};
  for (const name of MODULES) {
    Object.assign(all, await import(path.join(SRC, name, 'index.ts')));
  }
  const design = designOf([serverOf('a', { count: { likely: '2' } })]);
  const books = smallBooks();
  const plan = (all.planOf as (...given: unknown[]) => unknown)(design, books);
  const [server] = design.sections[0]!.components;
  const { thingOf } = await import('./bills');
  const thing = thingOf({
    ...{ rows: 30, sku: 'NV-BAL-4', billed: '150', effective: '150', tags: { component: 'web' } },
  });
  const setting = { currency: 'USD', assumptions: design.assumptions, books: design.books };
  const extract = { form: 'plan', map: '', resources: [], remarks: [] };
  const profile = { title: '', loads: [] };
  const { review } = (all.reviewOf as (asked: object) => { review: unknown })({
    extract,
    profile,
    setting,
    books,
  });
  return {
    ...all,
    design,
    thing,
    books,
    plan,
    server,
    setting,
    extract,
    profile,
    review,
    book: bookFrom(smallBookFile()),
  };
}

const CLAIM = /^(.*?);?\s*\/\/ => (.+)$/;

/** Runs an example; what each line with `// =>` gives, and what it says that it gives. */
export function runExample(
  example: string,
  given: Record<string, unknown>,
): { readonly said: unknown; readonly found: unknown }[] {
  const lines = example.split('\n').map((line) => {
    const claim = CLAIM.exec(line);
    return claim ? `__claim(() => (${claim[1]!}), () => (${claim[2]!}));` : line;
  });
  const { outputText } = ts.transpileModule(lines.join('\n'), {
    compilerOptions: { target: ts.ScriptTarget.ES2022, module: ts.ModuleKind.None },
  });
  const claims: { said: unknown; found: unknown }[] = [];
  const names = Object.keys(given);
  const run = new Function(...names, '__claim', `{ ${outputText.replace('"use strict";', '')} }`) as (
    ...values: unknown[]
  ) => void;
  run(...names.map((name) => given[name]), (found: () => unknown, said: () => unknown) =>
    claims.push({ found: found(), said: said() }),
  );
  return claims;
}
