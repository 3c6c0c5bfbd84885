/** Every operation that an actor asks for is in the one table, and refuses whoever may not. */
import fs from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { testContext } from '@tests/support/store-contract';
import { ROLES } from '@/platform/use/actor';
import { allow, type Allowed, MAY } from '@/platform/use/may';
import { memoryStores } from '@/stores/memory-stores';

/** Where operations lie: the use of every feature, and of the platform. */
const OPERATIONS = fs
  .readdirSync('src', { recursive: true, encoding: 'utf8' })
  .filter((folder) => /^(features\/[^/]+|platform)\/use$/.test(folder))
  .map((folder) => path.join('src', folder));

function sources(folder: string): string[] {
  return fs.readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) return sources(full);
    return entry.name.endsWith('.ts') && !entry.name.endsWith('.test.ts')
      ? [fs.readFileSync(full, 'utf8')]
      : [];
  });
}

/** Parts of operations: they are given what somebody was allowed to open. */
const INSIDE = [
  'forgetToken',
  'mintToken',
  'newTerms',
  'pastOf',
  'placerFor',
  'priceDesignOnServer',
  'reportOf',
  'rulesOf',
  'usedOf',
];

describe('who may do what', () => {
  it('is said for every operation that takes an actor, by itself or by the one it asks', () => {
    const missing: string[] = [];
    const said = new Set<string>();
    for (const source of OPERATIONS.flatMap(sources)) {
      const functions = source.split(/^(?=export (?:async )?function )/m).slice(1);
      for (const body of functions) {
        const [, name = ''] = /^export (?:async )?function (\w+)/.exec(body) ?? [];
        if (!/^export (?:async )?function \w+\(\s*context: Context\b/.test(body)) continue;
        const own = /allow\(context\.actor, '(\w+)'\)/.exec(body)?.[1];
        if (own) said.add(own);
        else if (!/\b\w+\(context[,)]/.test(body)) missing.push(name);
      }
      for (const [, name = ''] of source.matchAll(/allow\(context\.actor, '(\w+)'\)/g)) said.add(name);
    }
    expect(missing.sort()).toEqual(INSIDE);
    expect([...said].sort()).toEqual(Object.keys(MAY).sort());
  });

  it('refuses every role below the one that is named, and no other', () => {
    const { actor } = testContext(memoryStores());
    for (const [what, least] of Object.entries(MAY)) {
      for (const role of ROLES) {
        const asks = (): void => allow({ ...actor, role }, what as Allowed);
        if (ROLES.indexOf(role) < ROLES.indexOf(least))
          expect(asks, `${role} ${what}`).toThrow('This needs the role');
        else expect(asks, `${role} ${what}`).not.toThrow();
      }
    }
    // Reading changes nothing: a viewer may; whatever changes something needs an editor.
    expect(MAY.readReport).toBe('viewer');
    expect(MAY.editDesign).toBe('editor');
  });

  it('is asked of the actor of the request: no route makes one of its own', () => {
    const routes = path.resolve(import.meta.dirname, '../../src/app/api');
    for (const source of sources(routes)) {
      if (source.includes('export function handler')) continue;
      expect(/import \{[^}]*\bcontext\b[^}]*\} from '@\/app\/wiring'/.test(source)).toBe(false);
      expect(source).not.toContain('actor: {');
    }
  });
});
