/** ./run formats: writes the JSON Schemas of the file formats, their small examples, and the worked examples' page. */
import fs from 'node:fs';
import path from 'node:path';
import prettier from 'prettier';
import { z } from 'zod';
import { designFileSchema, priceBookSchema, writeDesign } from '@/formats';
import { page } from '../docs/examples/page';
import { exampleBook, exampleDesign } from '../docs/formats/examples';
import { main, say } from './lib/say';

const FOLDER = 'docs/formats';

async function write(name: string, data: unknown): Promise<void> {
  const text = typeof data === 'string' ? data : JSON.stringify(data);
  const file = path.join(FOLDER, name);
  fs.writeFileSync(file, await prettier.format(text, { parser: 'json', printWidth: 110 }));
  say(file);
}

main(async () => {
  await write('price-book.schema.json', z.toJSONSchema(priceBookSchema, { io: 'input' }));
  await write('design.schema.json', z.toJSONSchema(designFileSchema, { io: 'input' }));
  await write('price-book.example.json', exampleBook);
  await write('design.example.json', writeDesign(exampleDesign));
  fs.writeFileSync('docs/how-it-calculates.md', page());
  say('docs/how-it-calculates.md');
});
