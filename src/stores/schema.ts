/** The tables as Kysely sees them. Money and quantities are `numeric` and come out as text. */
import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type { Design, Edit } from '@/engine/design';
import type { FleetPlan, Machine } from '@/features/fleet/calc';
import type { Study } from '@/features/own-or-rent/calc';
import type { ReportOptions } from '@/features/report/calc';
import type { Extract, LineMatches } from '@/features/review/calc';
import type { OfferRow, RateRow } from '@/features/price-books/format/price-book-schema';
import type { ImportOutcome, ImportState } from '@/features/price-books/use/book-ports';
import type { JobLane, JobState, JobWork } from '@/platform/use/job-ports';
import type { LibraryKind } from '@/features/design/use/library-ports';
import type { LineAmounts } from './ports';
import type { ReviewPhase } from '@/features/review/format/review/sent-review';
import type { ReviewPins, ReviewSummary, TeamFileKind } from '@/features/review/use/review-ports';

import type { BillTables } from '@/features/bills/store/schema-bills';
import type { WatchTables } from '@/features/alerts/store/schema-watches';
import type { Numeric, Timestamp } from '@/platform/data/column-types';

export interface Database extends BillTables, WatchTables {
  installation: { id: string };
  workspace: { id: string; name: string; demo_loaded_at: Timestamp | null; created_at: Generated<Timestamp> };
  price_book: {
    id: Generated<string>;
    workspace_id: string;
    key: string;
    title: string;
    provider: string;
    currency: string;
    month_hours: Numeric;
  };
  book_revision: {
    id: Generated<string>;
    book_id: string;
    number: number;
    title: string;
    currency: string;
    month_hours: Numeric;
    /** As text: a date without a time zone. */
    effective: ColumnType<string, string, never>;
    source: string;
    offer_count: number;
    rate_count: number;
    region_count: number;
    published_at: Timestamp | null;
  };
  book_region: {
    revision_id: string;
    code: string;
    name: string;
    country: string;
    latitude: number;
    longitude: number;
    carbon: number | null;
    area: string | null;
    bands: JSONColumnType<Record<string, string>> | null;
  };
  book_offer: {
    revision_id: string;
    sku: string;
    kind: string;
    name: string;
    family: string;
    detail: JSONColumnType<OfferRow>;
    lifecycle: OfferRow['lifecycle'];
    /** In lower case: what a search by words looks through. */
    words: string;
    vcpu: Numeric | null;
    memory: Numeric | null;
    gpu: Numeric | null;
    capabilities: string[];
    /** Where it is sold. */
    regions: string[];
    /** Of its lot, where it is cheapest. */
    price: Numeric | null;
    cheapest_in: string | null;
  };
  book_place: {
    revision_id: string;
    sku: string;
    region: string;
    kind: string;
    vcpu: Numeric | null;
    memory: Numeric | null;
    /** Of its lot, here. */
    price: Numeric | null;
  };
  book_rate: {
    revision_id: string;
    sku: string;
    region: string;
    meter: string;
    term: string;
    unit: string;
    charge: JSONColumnType<RateRow['charge']>;
    upfront: Numeric | null;
    allowance: Numeric | null;
    pool: string;
    /** The fields that few rates have. */
    rest: JSONColumnType<Partial<RateRow>> | null;
  };
  book_import: {
    id: string;
    workspace_id: string;
    file_name: string;
    state: ImportState;
    bytes: ColumnType<string, number, number>;
    bytes_total: ColumnType<string | null, number | null, never>;
    rates: number;
    cancel_asked: boolean;
    outcome: JSONColumnType<ImportOutcome> | null;
    started_at: Timestamp;
    seen_at: Timestamp;
  };
  exchange_table: { workspace_id: string; date: string; base: string; quote: string; rate: Numeric };
  design: {
    id: string;
    workspace_id: string;
    revision: number;
    document: JSONColumnType<Design>;
    created_at: Timestamp;
    updated_at: Timestamp;
    deleted_at: Timestamp | null;
    totals_revision: number | null;
    monthly: Numeric | null;
    monthly_low: Numeric | null;
    monthly_high: Numeric | null;
    unpriced: number | null;
    totals_calculation: Generated<number>;
    /** By the calculation before, where it came to another amount and nobody has edited since. */
    monthly_before: Numeric | null;
    /** Printed amounts by line, of the kept totals; null: kept by a version that did not keep them. */
    line_amounts: JSONColumnType<LineAmounts> | null;
    line_amounts_before: JSONColumnType<LineAmounts> | null;
  };
  design_edit: {
    design_id: string;
    revision: number;
    batch: string;
    edits: JSONColumnType<Edit[]>;
    user_name: string;
    at: Timestamp;
    /** Null for revisions from before it was kept. */
    inverse: JSONColumnType<Edit[]> | null;
  };
  workspace_kept: {
    id: string;
    workspace_id: string;
    what: LibraryKind;
    name: string;
    body: JSONColumnType<object>;
    kept_at: Timestamp;
  };
  job: {
    id: string;
    workspace_id: string;
    lane: JobLane;
    key: string;
    work: JSONColumnType<JobWork>;
    asked_by: string;
    state: JobState;
    done: Generated<number>;
    steps: Generated<number>;
    words: Generated<string>;
    tries: Generated<number>;
    cancel_asked: Generated<boolean>;
    asked_at: Generated<Timestamp>;
    seen_at: Generated<Timestamp>;
    code: string | null;
    message: string | null;
    file_name: string | null;
    file_type: string | null;
    file: Buffer | null;
  };
  fleet: {
    id: string;
    workspace_id: string;
    revision: number;
    plan: JSONColumnType<FleetPlan>;
    machines: number;
    created_at: Timestamp;
    updated_at: Timestamp;
    deleted_at: Timestamp | null;
  };
  fleet_machine: { fleet_id: string; at: number; key: string; detail: JSONColumnType<Machine> };
  fleet_mapping: {
    workspace_id: string;
    headings: string;
    mapping: JSONColumnType<object>;
    used_at: Timestamp;
  };
  study: {
    id: string;
    workspace_id: string;
    revision: number;
    study: JSONColumnType<Study>;
    created_at: Timestamp;
    updated_at: Timestamp;
    deleted_at: Timestamp | null;
  };
  study_revision: { study_id: string; revision: number; study: JSONColumnType<Study>; at: Timestamp };
  study_link: {
    id: string;
    workspace_id: string;
    study_id: string;
    token_hash: string;
    pinned: JSONColumnType<Study> | null;
    pinned_revision: number | null;
    created_by: string;
    created_at: Timestamp;
    expires_at: Timestamp | null;
    withdrawn_at: Timestamp | null;
  };
  review: {
    id: string;
    workspace_id: string;
    repository: string;
    change: string;
    commit: string;
    branch: string;
    title: string;
    author: string;
    phase: ReviewPhase;
    revision: number;
    extract: JSONColumnType<Extract>;
    load: string | null;
    /** As it came in; people may have said more since. */
    sent_load: string | null;
    limits: string | null;
    pins: JSONColumnType<ReviewPins>;
    summary: JSONColumnType<ReviewSummary> | null;
    summary_revision: number | null;
    created_at: Timestamp;
    merged_at: Timestamp | null;
    deleted_at: Timestamp | null;
  };
  pipeline_token: {
    id: string;
    workspace_id: string;
    name: string;
    token_hash: string;
    created_by: string;
    created_at: Timestamp;
    last_used_at: Timestamp | null;
    withdrawn_at: Timestamp | null;
  };
  team_file: {
    workspace_id: string;
    kind: TeamFileKind;
    name: string;
    revision: number;
    text: string;
    at: Timestamp;
  };
  repository_link: {
    workspace_id: string;
    repository: string;
    design_id: string;
    matches: JSONColumnType<LineMatches>;
  };
  stand_in: { workspace_id: string; key: string; state: JSONColumnType<object> };
  design_link: {
    id: string;
    workspace_id: string;
    design_id: string;
    token_hash: string;
    options: JSONColumnType<ReportOptions>;
    pinned: JSONColumnType<Design> | null;
    pinned_revision: number | null;
    created_by: string;
    created_at: Timestamp;
    expires_at: Timestamp | null;
    withdrawn_at: Timestamp | null;
  };
}
