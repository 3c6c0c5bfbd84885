/**
 * Alternatives where only the rates that are needed are at hand: what a change leads to is known once the catalogues are
 * here, what it costs once the rates of those places are. Applied again until nothing more comes. Shared by the server and
 * the browser's worker.
 */
import type { AlternativeDesign, Alternator } from '@/features/compare/calc/alternatives';
import { allComponents, type Alternative, type BookPin, type Component, type Design } from '@/engine/design';

export interface RateSource {
  /** Everything about revisions but their rates. */
  catalogues(pins: readonly BookPin[]): Promise<void>;
  /** The rates of a design; of the kinds of `wholeKinds` all offers at their places. */
  booksFor(design: Design, wholeKinds?: readonly Component[]): Promise<unknown>;
  /** Grows with whatever comes. */
  readonly extent: number;
}

/** A change may lead to where another one leads on from. */
const MOST_ROUNDS = 4;

export async function appliedWhereLoaded(
  design: Design,
  alternatives: readonly Alternative[],
  alternator: Alternator,
  source: RateSource,
): Promise<AlternativeDesign[]> {
  await Promise.all([source.booksFor(design), source.catalogues(alternatives.flatMap(pinsOf))]);
  const homes = new Map(allComponents(design).map(({ id, place }) => [id, placeText(place)]));
  let made: AlternativeDesign[] = [];
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const before = source.extent;
    made = alternatives.map((each) => alternator.apply(design, each));
    for (const { design: other } of made) {
      const moved = allComponents(other).filter(({ id, place }) => placeText(place) !== homes.get(id));
      await source.booksFor(other, moved);
    }
    if (source.extent === before) break;
  }
  return made;
}

const placeText = (place: Component['place']): string => (place ? `${place.book} ${place.region}` : '');

function pinsOf({ changes }: Alternative): BookPin[] {
  return changes.flatMap((change): BookPin[] =>
    change.change === 'move' || change.change === 'revision'
      ? [{ book: change.book, revision: change.revision }]
      : change.change === 'edit' && change.edit.edit === 'pin-books'
        ? [...change.edit.books]
        : [],
  );
}
