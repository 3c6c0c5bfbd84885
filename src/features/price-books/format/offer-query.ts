/** A search for offers as it comes over the wire. */
import { z } from 'zod';
import { KIND_CODES } from '@/engine/books';
import { amountText, code, name } from '@/platform/formats/fields';

export const offerQuerySchema = z.strictObject({
  text: z.string().max(200).optional(),
  kind: z.enum(KIND_CODES).optional(),
  book: code.optional(),
  region: code.optional(),
  family: name.optional(),
  vcpu: amountText.optional(),
  memory: amountText.optional(),
  gpu: amountText.optional(),
  capability: code.optional(),
  priceFrom: amountText.optional(),
  priceTo: amountText.optional(),
  limit: z.int().min(1).max(500).optional(),
});

export type OfferQueryText = z.infer<typeof offerQuerySchema>;
