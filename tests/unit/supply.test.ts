/** What is installed: exactly what the lock names, by its hash, and nothing of it runs while it is installed. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';

interface Locked {
  readonly version?: string;
  readonly integrity?: string;
  readonly resolved?: string;
  readonly inBundle?: boolean;
  readonly hasInstallScript?: boolean;
}

const lock = JSON.parse(fs.readFileSync('package-lock.json', 'utf8')) as {
  readonly packages: Readonly<Record<string, Locked>>;
};
const packages = Object.entries(lock.packages).filter(([name]) => name !== '');

describe('what is installed', () => {
  it('is named by a hash, without the address of a registry; what comes inside another package has its hash', () => {
    expect(packages.length).toBeGreaterThan(500);
    const unnamed = packages.filter(
      ([, { integrity, inBundle }]) => !inBundle && !/^sha512-[\w+/=]{80,}$/.test(integrity ?? ''),
    );
    expect(unnamed.map(([name]) => name)).toEqual([]);
    expect(packages.filter(([, { resolved }]) => resolved !== undefined)).toEqual([]);
  });

  it('runs no script of its own while it is installed, and nothing needs one', () => {
    expect(fs.readFileSync('.npmrc', 'utf8')).toMatch(/^ignore-scripts=true$/m);
    // The bundler's script only makes its first start faster; without it, it works.
    const scripted = packages.filter(([, { hasInstallScript }]) => hasInstallScript).map(([name]) => name);
    expect(scripted).toEqual(['node_modules/esbuild']);
    const tried = spawnSync('node_modules/.bin/esbuild', ['--version'], { encoding: 'utf8' });
    expect(tried.stdout.trim()).toBe(lock.packages['node_modules/esbuild']!.version);
  });

  it('keeps the sheet library where sheets are written, and lets it read nothing', () => {
    const sources = fs
      .readdirSync('src', { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file));
    const users = sources.filter((file) =>
      fs.readFileSync(path.join('src', file), 'utf8').includes("'exceljs'"),
    );
    expect(users.every((file) => /\/(files?)\/(sheet-[a-z-]+|report-sheet)\.ts$/.test(file))).toBe(true);
    for (const file of users)
      expect(fs.readFileSync(path.join('src', file), 'utf8')).not.toMatch(/\.(load|read|readFile)\(/);
  });
});
