/** `wick demo-files`: the demo's price books, designs and estate as files, to look at and to try the other commands with. */
import fs from 'node:fs';
import path from 'node:path';
import { DEMO_DESIGNS } from '@/demo/designs';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { harbourHouseWorkbook, harbourPlan } from '@/demo/fleets';
import { harbourHouse } from '@/demo/harbour-house';
import { DEMO_PROFILES } from '@/demo/profiles';
import { writeDesign } from '@/features/design/format/design';
import { plainSheets } from '@/platform/files/sheet-inventory';
import { terminal } from './terminal';

export async function writeDemoFiles(folder: string): Promise<number> {
  const write = (name: string, text: string | Uint8Array): void => {
    const file = path.join(folder, name);
    fs.mkdirSync(path.dirname(file), { recursive: true });
    fs.writeFileSync(file, text);
    terminal().out(`${file}\n`);
  };
  for (const profile of DEMO_PROFILES) {
    for (const revision of DEMO_REVISIONS) {
      const text = JSON.stringify(generateBook(profile, revision));
      write(path.join('books', `${profile.key}-r${revision.number}.json`), text);
    }
  }
  for (const design of DEMO_DESIGNS) {
    write(
      path.join('designs', `${design.title.toLowerCase().replace(/\W+/g, '-')}.json`),
      writeDesign(design),
    );
  }
  write(path.join('fleets', 'harbour-house.csv'), harbourHouse());
  write(path.join('fleets', 'harbour-house.xlsx'), await harbourHouseWorkbook(plainSheets));
  write(path.join('fleets', 'harbour-house.plan.json'), `${JSON.stringify(harbourPlan(), null, 2)}\n`);
  return 0;
}
