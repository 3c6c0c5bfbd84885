/** POST: how headings were mapped the last time. PUT: remembers how they are mapped now. */
import { z } from 'zod';
import { COLUMN_UNITS, FIELDS } from '@/features/fleet/format/columns';
import { REPEATED } from '@/features/fleet/format/fleet-builder';
import { TABLE_ROLES } from '@/features/fleet/format/table-look';
import { invalid } from '@/platform/use/app-error';
import { keepMapping, knownMapping } from '@/features/fleet/use/fleets';
import { boundedJson, handler } from '../../answer';

const headings = z.string().min(1).max(100_000);
const heading = z
  .string()
  .max(2000)
  .regex(/^[^\u0000\p{Cs}]*$/u);
const mapping = z.strictObject({
  chosen: z.record(heading, z.enum(FIELDS).nullable()),
  units: z.record(heading, z.enum(COLUMN_UNITS)),
  roles: z.record(heading, z.enum(TABLE_ROLES)),
  repeated: z.enum(REPEATED).optional(),
});

export const POST = handler(async (request, _params, context) => {
  const read = z.object({ headings }).safeParse(await boundedJson(request, 500_000));
  if (!read.success) throw invalid('Which headings?');
  return Response.json(await knownMapping(context(), read.data.headings));
});

export const PUT = handler(async (request, _params, context) => {
  const read = z.object({ headings, mapping }).safeParse(await boundedJson(request, 1_000_000));
  if (!read.success) throw invalid('This is no mapping of columns.');
  await keepMapping(context(), read.data.headings, read.data.mapping);
  return new Response(null, { status: 204 });
});
