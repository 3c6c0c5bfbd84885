/** What a person does to a design, as it comes over the wire and stands in an alternative. The same bounds as in a file. */
import { z } from 'zod';
import { COMPONENT_FIELDS, type DesignEdit } from '@/engine/design';
import { currency, longText, name } from '@/platform/formats/fields';
import * as part from './component';
import { agreements, ASSUMPTION_FIELDS, bookPins, CHECK_ANSWER, id, section } from './design-parts';
import { usageEntry } from './use-fields';

export const index = z.int().min(0).max(1_000_000);

function setComponent<F extends string, V extends z.ZodType>(field: F, value: V) {
  return z.strictObject({ edit: z.literal('set-component'), id, field: z.literal(field), value });
}

function setDesign<F extends string, V extends z.ZodType>(field: F, value: V) {
  return z.strictObject({ edit: z.literal('set-design'), field: z.literal(field), value });
}

function setAssumption<F extends string, V extends z.ZodType>(field: F, value: V) {
  return z.strictObject({ edit: z.literal('set-assumption'), field: z.literal(field), value });
}

export const designEditSchema: z.ZodType<DesignEdit> = z.union([
  ...COMPONENT_FIELDS.map((field) => setComponent(field, part.COMPONENT_PARTS[field])),
  setDesign('title', name),
  setDesign('description', longText),
  setDesign('currency', currency),
  setAssumption('month', ASSUMPTION_FIELDS.month),
  setAssumption('countAllowances', ASSUMPTION_FIELDS.countAllowances),
  setAssumption('exchange', ASSUMPTION_FIELDS.exchange),
  setAssumption('allowanceShare', ASSUMPTION_FIELDS.allowanceShare.nullable()),
  setAssumption('residence', ASSUMPTION_FIELDS.residence.nullable()),
  setAssumption('start', ASSUMPTION_FIELDS.start.nullable()),
  setAssumption('growth', ASSUMPTION_FIELDS.growth.nullable()),
  setAssumption('season', ASSUMPTION_FIELDS.season.nullable()),
  setAssumption('campaigns', ASSUMPTION_FIELDS.campaigns.nullable()),
  setAssumption('contingency', ASSUMPTION_FIELDS.contingency.nullable()),
  setAssumption('tax', ASSUMPTION_FIELDS.tax.nullable()),
  setAssumption('horizon', ASSUMPTION_FIELDS.horizon.nullable()),
  setAssumption('budget', ASSUMPTION_FIELDS.budget.nullable()),
  setAssumption('drivers', ASSUMPTION_FIELDS.drivers.nullable()),
  setAssumption('together', ASSUMPTION_FIELDS.together.nullable()),
  setAssumption('kept', ASSUMPTION_FIELDS.kept.nullable()),
  z.strictObject({
    edit: z.literal('answer-check'),
    ...CHECK_ANSWER,
    reason: CHECK_ANSWER.reason.nullable(),
  }),
  z.strictObject({ edit: z.literal('set-agreements'), agreements }),
  z.strictObject({ edit: z.literal('set-usage'), id, meter: id, value: usageEntry.nullable() }),
  z.strictObject({ edit: z.literal('pin-books'), books: bookPins }),
  z.strictObject({ edit: z.literal('add-section'), index, section }),
  z.strictObject({ edit: z.literal('remove-section'), id }),
  z.strictObject({ edit: z.literal('rename-section'), id, name }),
  z.strictObject({
    edit: z.literal('place-new-lines'),
    section: id.nullable(),
    place: part.place.nullable(),
  }),
  z.strictObject({ edit: z.literal('add-component'), section: id, index, component: part.component }),
  z.strictObject({ edit: z.literal('remove-component'), id }),
  z.strictObject({ edit: z.literal('move-component'), id, section: id, index }),
]) as z.ZodType<DesignEdit>;
