/**
 * The month over the level of a spend commitment, in doubles: hour by hour the level buys what saves most first. The cost
 * is straight between the levels at which some hour has bought the next thing whole, and bends only upwards, so the
 * least is where its slope turns: exact but for doubles. Source: pricing rules, "Spend commitment".
 */
import type { SpendMember } from '@/engine/terms';
import { unitHoursOf } from '@/engine/usage';

/** A step of an hour: so much committed money buys what on demand would cost `ratio` times as much. */
interface Bought {
  readonly upTo: number;
  readonly ratio: number;
}

interface HourOfWeek {
  /** How many hours of an average week are like this. */
  readonly weight: number;
  readonly steps: readonly Bought[];
  readonly onDemand: number;
}

export class SpendWeek {
  private constructor(
    private readonly hours: readonly HourOfWeek[],
    private readonly cost: number,
    /** So many weeks of money. */
    private readonly weeks: number,
  ) {}

  /** `cost`: what each unit of committed money costs, 1 where nothing is taken off or added. */
  static of(members: readonly SpendMember[], cost: number): SpendWeek {
    return new SpendWeek(hoursOf(members), cost, 1);
  }

  /** Several weeks under one level: of one cost, one after the other. */
  static together(all: readonly SpendWeek[]): SpendWeek {
    const weeks = all.reduce((sum, each) => sum + each.weeks, 0);
    return new SpendWeek(
      all.flatMap(({ hours }) => hours),
      all[0]?.cost ?? 1,
      weeks,
    );
  }

  /** Money of a week for a level: the commitment, and what stays on demand. */
  at(level: number): number {
    let sum = this.cost * level * 168 * this.weeks;
    for (const { weight, steps, onDemand } of this.hours) sum += weight * (onDemand - saved(steps, level));
    return sum;
  }

  /** Shares: of the level that buys something, and of what could be bought that it buys. */
  use(level: number): { used: number; covered: number } {
    let [used, bought, all] = [0, 0, 0];
    for (const { weight, steps } of this.hours) {
      const most = steps[steps.length - 1]?.upTo ?? 0;
      used += weight * Math.min(level, most);
      bought += weight * Math.min(level, most);
      all += weight * most;
    }
    return { used: level > 0 ? used / (level * 168 * this.weeks) : 0, covered: all > 0 ? bought / all : 0 };
  }

  /** The smallest level that costs least. */
  best(): number {
    const events: { at: number; turn: number }[] = [];
    let slope = this.cost * 168 * this.weeks;
    for (const { weight, steps } of this.hours) {
      slope -= weight * (steps[0]?.ratio ?? 0);
      steps.forEach(({ upTo, ratio }, step) => {
        events.push({ at: upTo, turn: weight * (ratio - (steps[step + 1]?.ratio ?? 0)) });
      });
    }
    events.sort((a, b) => a.at - b.at);
    const hair = 1e-12 * 168 * this.weeks;
    if (slope >= -hair) return 0;
    for (const { at, turn } of events) {
      slope += turn;
      if (slope >= -hair) return at;
    }
    return events[events.length - 1]?.at ?? 0;
  }

  /** Levels at which the cost bends, rising. */
  bends(): number[] {
    return [...new Set(this.hours.flatMap(({ steps }) => steps.map(({ upTo }) => upTo)))].sort(
      (a, b) => a - b,
    );
  }
}

function saved(steps: readonly Bought[], level: number): number {
  let [sum, before] = [0, 0];
  for (const { upTo, ratio } of steps) {
    if (level <= before) break;
    sum += (Math.min(level, upTo) - before) * ratio;
    before = upTo;
  }
  return sum;
}

/** Hours that are alike count once; kinds of weeks by their share. */
function hoursOf(members: readonly SpendMember[]): HourOfWeek[] {
  const order = members
    .map((member) => ({
      member,
      committed: member.committed.toNumber(),
      onDemand: member.onDemand.toNumber(),
    }))
    .filter(({ committed }) => committed > 0)
    .sort(
      (a, b) => b.onDemand / b.committed - a.onDemand / a.committed || (a.member.id < b.member.id ? -1 : 1),
    );
  const found = new Map<string, { weight: number; steps: Bought[]; onDemand: number }>();
  for (const { share, at } of kindsOf(members)) {
    for (let hour = 0; hour < 168; hour += 1) {
      const units = order.map(({ member }) => at(member, hour));
      const key = units.join(' ');
      const known = found.get(key);
      if (known) {
        known.weight += share;
        continue;
      }
      let upTo = 0;
      const steps: Bought[] = [];
      let onDemand = 0;
      order.forEach(({ committed, onDemand: price }, index) => {
        if (units[index]! <= 0) return;
        upTo += committed * units[index]!;
        onDemand += price * units[index]!;
        steps.push({ upTo, ratio: price / committed });
      });
      found.set(key, { weight: share, steps, onDemand });
    }
  }
  return [...found.values()];
}

/** In the weeks that have three days, all have three: kinds of weeks of all members side by side. */
function kindsOf(members: readonly SpendMember[]) {
  const ends = [
    ...new Set(
      members.flatMap(({ weeks }) => {
        let end = 0;
        return weeks.map(({ share }, index) => {
          end = index === weeks.length - 1 ? 1 : end + share.toNumber();
          return end;
        });
      }),
    ),
  ].sort((a, b) => a - b);
  const units = new Map<SpendMember, readonly (readonly [number, Float64Array])[]>();
  for (const member of members) {
    let end = 0;
    units.set(
      member,
      member.weeks.map(({ share, hours }, index) => {
        end = index === member.weeks.length - 1 ? 1 : end + share.toNumber();
        return [end, Float64Array.from(hours, (hour) => unitHoursOf(hour).toNumber())] as const;
      }),
    );
  }
  return ends.map((end, index) => ({
    share: end - (ends[index - 1] ?? 0),
    at: (member: SpendMember, hour: number): number =>
      (units.get(member)!.find(([reached]) => end <= reached + 1e-12) ?? units.get(member)!.at(-1)!)[1][
        hour
      ]!,
  }));
}
