/** ./run formats: writes the JSON Schemas of the file formats, their small examples, and the worked examples' page. */
import fs from 'node:fs';
import path from 'node:path';
import prettier from 'prettier';
import { z } from 'zod';
import { designFileSchema, writeDesign } from '@/features/design/format/design';
import { priceBookSchema } from '@/features/price-books/format/price-book-schema';
import { machineLines, machineSchema } from '@/features/fleet/format/machine-schema';
import { fleetPlanSchema } from '@/features/fleet/format/plan-schema';
import { writeBookCsv } from '@/features/price-books/format/stream';
import { billRulesSchema } from '@/features/bills/format/bill-rules';
import { priceListMapSchema } from '@/features/price-books/format/price-list/map-schema';
import { limitsSchema } from '@/features/review/format/review/limits-schema';
import { loadProfileSchema } from '@/features/review/format/review/load-schema';
import { resourceMapSchema } from '@/features/review/format/review/map-schema';
import { sentReviewSchema } from '@/features/review/format/review/sent-review';
import { studyFileSchema, writeStudy } from '@/features/own-or-rent/format/study-schema';
import { page } from '../docs/examples/page';
import {
  exampleBook,
  exampleDesign,
  exampleMachines,
  examplePlan,
  exampleReview,
  exampleStudy,
} from '../docs/formats/examples';
import { architecturePicture } from './lib/architecture-picture';
import { main, say } from './lib/say';

const FOLDER = 'docs/formats';

async function write(name: string, data: unknown): Promise<void> {
  const text = typeof data === 'string' ? data : JSON.stringify(data);
  const file = path.join(FOLDER, name);
  fs.writeFileSync(file, await prettier.format(text, { parser: 'json', printWidth: 110 }));
  say(file);
}

/** The example book in its flat form. */
async function exampleCsv(): Promise<string> {
  async function* rates() {
    yield exampleBook.rates;
  }
  const { book, revision, regions, offers } = exampleBook;
  let text = '';
  for await (const chunk of writeBookCsv({ head: { book, revision }, regions, offers, rates: rates() }))
    text += chunk;
  return text;
}

main(async () => {
  await write('price-book.schema.json', z.toJSONSchema(priceBookSchema, { io: 'input' }));
  await write('design.schema.json', z.toJSONSchema(designFileSchema, { io: 'input' }));
  await write('price-book.example.json', exampleBook);
  fs.writeFileSync(path.join(FOLDER, 'price-book.example.csv'), await exampleCsv());
  say(path.join(FOLDER, 'price-book.example.csv'));
  await write('design.example.json', writeDesign(exampleDesign));
  await write('machine.schema.json', z.toJSONSchema(machineSchema, { io: 'input' }));
  await write('fleet-plan.schema.json', z.toJSONSchema(fleetPlanSchema, { io: 'input' }));
  await write('fleet-plan.example.json', examplePlan);
  await write('study.schema.json', z.toJSONSchema(studyFileSchema, { io: 'input' }));
  await write('study.example.json', writeStudy(exampleStudy));
  await write('resource-map.schema.json', z.toJSONSchema(resourceMapSchema, { io: 'input' }));
  await write('load-profile.schema.json', z.toJSONSchema(loadProfileSchema, { io: 'input' }));
  await write('limits.schema.json', z.toJSONSchema(limitsSchema, { io: 'input' }));
  await write('bill-rules.schema.json', z.toJSONSchema(billRulesSchema, { io: 'input' }));
  await write('price-list.schema.json', z.toJSONSchema(priceListMapSchema, { io: 'input' }));
  await write('sent-review.schema.json', z.toJSONSchema(sentReviewSchema, { io: 'input' }));
  await write('sent-review.example.json', exampleReview);
  const machines = path.join(FOLDER, 'machines.example.ndjson');
  fs.writeFileSync(machines, [...machineLines(exampleMachines)].join(''));
  say(machines);
  fs.writeFileSync('docs/how-it-calculates.md', page());
  say('docs/how-it-calculates.md');
  fs.writeFileSync('docs/architecture.svg', architecturePicture());
  say('docs/architecture.svg');
});
