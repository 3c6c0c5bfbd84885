/** Edits as they come over the wire: of the design, and of its alternatives. */
import { z } from 'zod';
import type { Edit } from '@/engine/design';
import { alternative } from './alternative';
import { designEditSchema, index } from './design-edit';
import { id } from './design-parts';

export const editSchema: z.ZodType<Edit> = z.union([
  designEditSchema,
  z.strictObject({ edit: z.literal('put-alternative'), index, alternative }),
  z.strictObject({ edit: z.literal('remove-alternative'), id }),
]);

/** One save: edits on top of a revision. `batch` makes a repeated send harmless. */
export const editBatchSchema = z.strictObject({
  baseRevision: z.int().min(0),
  batch: z.uuid(),
  edits: z.array(editSchema).min(1).max(500),
});
