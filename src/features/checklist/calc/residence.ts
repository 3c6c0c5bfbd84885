/** What stands outside of the country or area that the design has to stay in. Needs C5, C6. */
import { nearestRegion } from '@/engine/books';
import { chosenPlace } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { isWithin, outsideOf } from '@/engine/moving';
import type { Check, Found } from './model';

export const outsideResidence: Check = {
  check: 'outside-residence',
  title: 'Stands outside of where it has to stay',
  reason: 'Data that has to stay in a country or an area may not be kept or worked on elsewhere.',
  find: (context) => {
    const { design, plan } = context;
    const { residence } = design.assumptions;
    const pinned = (key: string) => {
      const pin = design.books.find(({ book }) => book === key);
      return pin && plan.pricer.books.get(pin.book, pin.revision);
    };
    return outsideOf(design, pinned).map(({ line, region, issue }): Found => {
      const book = context.bookOf(line);
      const sku = line.choice.by === 'sku' ? line.choice.sku : null;
      const inside = (book?.regions ?? []).filter(
        (each) => isWithin(each, residence!) && (sku === null || book!.sells(sku, each.code)),
      );
      const nearest = nearestRegion(region, inside);
      return {
        subject: line.id,
        says: sentenceFor(issue),
        remedy: nearest
          ? {
              label: `Move it to ${nearest.name}`,
              edits: chosenPlace(line, { book: book!.key, region: nearest.code }),
            }
          : null,
      };
    });
  },
};
