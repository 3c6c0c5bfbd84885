/** A folder of configuration for `wick review FOLDER`; hidden folders are passed over. */
import fs from 'node:fs';
import path from 'node:path';
import type { Plan } from '@/features/review/calc';
import { isConfiguration, readFolder } from '@/features/review/format/plan/configuration-folder';
import { orRefuse, readText } from './files';

const DEEPEST = 20;

export function readConfigurationFolder(folder: string): Plan {
  const files = new Map<string, string>();
  const visit = (below: string, depth: number): void => {
    for (const entry of fs.readdirSync(path.join(folder, below), { withFileTypes: true })) {
      if (entry.name.startsWith('.')) continue;
      const name = path.posix.join(below, entry.name);
      if (entry.isDirectory() && depth < DEEPEST) visit(name, depth + 1);
      else if (entry.isFile() && isConfiguration(entry.name))
        files.set(name, readText(path.join(folder, name)));
    }
  };
  visit('', 0);
  return orRefuse(readFolder(files), folder);
}
