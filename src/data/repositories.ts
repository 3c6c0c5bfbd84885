/** All stores over one database. */
import type { Kysely } from 'kysely';
import type { Stores } from '@/operations';
import { billRepository } from './bill-repository';
import { bookRepository } from './book-repository';
import { designRepository } from './design-repository';
import { exchangeRepository } from './exchange-repository';
import { fleetRepository } from './fleet-repository';
import { studyRepository } from './study-repository';
import { importRepository } from './import-repository';
import { jobRepository } from './job-repository';
import { libraryRepository } from './library-repository';
import {
  repositoryLinkRepository,
  standInRepository,
  teamFileRepository,
  tokenRepository,
} from './team-repository';
import { reviewRepository } from './review-repository';
import { watchRepository } from './watch-repository';
import { linkRepository, studyLinkRepository } from './link-repository';
import type { Database } from './schema';

export function repositories(db: Kysely<Database>): Stores {
  return {
    books: bookRepository(db),
    designs: designRepository(db),
    imports: importRepository(db),
    exchange: exchangeRepository(db),
    links: linkRepository(db),
    studyLinks: studyLinkRepository(db),
    kept: libraryRepository(db),
    jobs: jobRepository(db),
    fleets: fleetRepository(db),
    studies: studyRepository(db),
    reviews: reviewRepository(db),
    tokens: tokenRepository(db),
    teamFiles: teamFileRepository(db),
    repositoryLinks: repositoryLinkRepository(db),
    standIn: standInRepository(db),
    bills: billRepository(db),
    watches: watchRepository(db),
  };
}
