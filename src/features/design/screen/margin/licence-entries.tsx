/** Licences that run on a component: paid in the rate, or brought along with a yearly cost of their own. */
'use client';
import { err, issue, ok, type Result } from '@/engine/base';
import { kindOf } from '@/engine/books';
import type { LicenceChoice } from '@/engine/design';
import { CasedEntry } from './cased-entry';
import { ReadEntry } from './read-entry';
import { setField, type SettingsProps } from './settings-props';
import { readNumber } from '../cells/number-text';

const PRODUCT = /^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/;

function readProducts(text: string): Result<string[]> {
  const products = text
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);
  const wrong = products.find((each) => !PRODUCT.test(each));
  if (wrong === undefined) return ok(products);
  return err(issue('edit.invalid', [], { reason: `“${wrong.slice(0, 40)}” is no product code.` }));
}

/** Products as the price book names them. */
export function LicenceEntries({ component, apply, preview }: SettingsProps) {
  if (!kindOf(component.kind).licensable) return null;
  const licences = component.licences ?? [];
  const products = (how: LicenceChoice['how'], label: string) => (
    <ReadEntry
      label={label}
      text={licences
        .filter((each) => each.how === how)
        .map((each) => each.product)
        .join(', ')}
      maxLength={400}
      read={readProducts}
      onRead={(wanted) => {
        const kept = licences.filter((each) => each.how !== how);
        const next = wanted.map(
          (product) =>
            licences.find((each) => each.product === product && each.how === how) ?? { product, how },
        );
        const all = [...kept, ...next];
        apply([setField(component, 'licences', all.length > 0 ? all : null)]);
      }}
    />
  );
  const withCost = (licence: LicenceChoice, ownYearly: LicenceChoice['ownYearly']): LicenceChoice[] =>
    licences.map((each) => (each === licence ? { ...each, ownYearly } : each));
  return (
    <div className="space-y-2">
      <div className="grid grid-cols-2 gap-1.5">
        {products('included', 'Licences in the rate')}
        {products('brought', 'Licences brought along')}
      </div>
      {licences
        .filter((each) => each.how === 'brought')
        .map((licence) => (
          <CasedEntry
            key={licence.product}
            label={`Own cost of ${licence.product}`}
            unit="a year, for one unit"
            value={licence.ownYearly ?? null}
            read={readNumber}
            preview={(next) => {
              preview(next ? [setField(component, 'licences', withCost(licence, next))] : []);
              return null;
            }}
            commit={(next) => apply([setField(component, 'licences', withCost(licence, next))])}
            cancel={() => preview([])}
          />
        ))}
    </div>
  );
}
