/** Types of columns that many tables have. */
import type { ColumnType } from 'kysely';

export type Timestamp = ColumnType<Date, Date | string, Date | string>;
export type Numeric = ColumnType<string, string, string>;
