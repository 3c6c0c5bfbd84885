/** Brings a database to the newest shape. Migrations are part of the program, in order of their names. */
import { type Kysely, type Migration, Migrator } from 'kysely';
import * as firstTables from './migrations/m001-first-tables';
import * as largeBooks from './migrations/m002-large-books';
import * as coveringIndexes from './migrations/m003-covering-indexes';
import * as handingOver from './migrations/m004-handing-over';
import * as calculation from './migrations/m005-calculation';
import * as lineAmounts from './migrations/m006-line-amounts';
import * as installation from './migrations/m007-installation';
import * as linkHashes from './migrations/m008-link-hashes';
import * as changeFeed from './migrations/m009-change-feed';
import * as jobs from './migrations/m010-jobs';
import * as cheapestPlace from './migrations/m011-cheapest-place';
import * as allocated from './migrations/m012-allocated';
import * as areas from './migrations/m013-areas';
import * as fleets from './migrations/m014-fleets';
import * as studies from './migrations/m015-studies';
import * as studyLinks from './migrations/m016-study-links';
import * as reviews from './migrations/m017-reviews';
import * as bills from './migrations/m018-bills';
import * as watches from './migrations/m019-watches';
import * as wholeDays from './migrations/m020-whole-days';
import type { Database } from '@/stores/schema';

const MIGRATIONS: Readonly<Record<string, Migration>> = {
  '001-first-tables': firstTables,
  '002-large-books': largeBooks,
  '003-covering-indexes': coveringIndexes,
  '004-handing-over': handingOver,
  '005-calculation': calculation,
  '006-line-amounts': lineAmounts,
  '007-installation': installation,
  '008-link-hashes': linkHashes,
  '009-change-feed': changeFeed,
  '010-jobs': jobs,
  '011-cheapest-place': cheapestPlace,
  '012-allocated': allocated,
  '013-areas': areas,
  '014-fleets': fleets,
  '015-studies': studies,
  '016-study-links': studyLinks,
  '017-reviews': reviews,
  '018-bills': bills,
  '019-watches': watches,
  '020-whole-days': wholeDays,
};

export async function migrate(db: Kysely<Database>): Promise<void> {
  const migrator = new Migrator({ db, provider: { getMigrations: async () => ({ ...MIGRATIONS }) } });
  const { error } = await migrator.migrateToLatest();
  if (error) throw error;
}
