/** Reads text files for the command line; what cannot be read is said in one sentence. */
import fs from 'node:fs';
import path from 'node:path';
import { AppError } from '@/operations';

export function readText(file: string): string {
  try {
    return fs.readFileSync(file, 'utf8');
  } catch {
    throw new AppError('not-found', `“${file}” cannot be read. Check the name and your right to read it.`);
  }
}

/** The *.json files of a folder, in name order. */
export function jsonFilesIn(folder: string): string[] {
  try {
    const names = fs.readdirSync(folder).filter((name) => name.endsWith('.json'));
    return names.sort().map((name) => path.join(folder, name));
  } catch {
    throw new AppError('not-found', `The folder “${folder}” cannot be read.`);
  }
}
