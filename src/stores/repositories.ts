/** All stores over one database. */
import type { Kysely } from 'kysely';
import type { Stores } from './ports';
import { billRepository } from '@/features/bills/store/bill-repository';
import { bookRepository } from '@/features/price-books/store/book-repository';
import { designRepository } from '@/features/design/store/design-repository';
import { exchangeRepository } from '@/features/price-books/store/exchange-repository';
import { fleetRepository } from '@/features/fleet/store/fleet-repository';
import { studyRepository } from '@/features/own-or-rent/store/study-repository';
import { importRepository } from '@/features/price-books/store/import-repository';
import { jobRepository } from './job-repository';
import { libraryRepository } from '@/features/design/store/library-repository';
import {
  repositoryLinkRepository,
  standInRepository,
  teamFileRepository,
  tokenRepository,
} from '@/features/team/store/team-repository';
import { reviewRepository } from '@/features/review/store/review-repository';
import { watchRepository } from '@/features/alerts/store/watch-repository';
import { linkRepository, studyLinkRepository } from '@/features/report/store/link-repository';
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
