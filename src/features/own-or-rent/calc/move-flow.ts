/** What the move itself costs, once: tools and training when it is prepared, work and copying as each wave goes. Needs N8. */
import type { FlowLine } from './flow-book';
import type { Setting } from './setting';

export function moveFlow<T>(setting: Setting<T>): void {
  const { a, values, book, unit, months, calendar, trends } = setting;
  if (calendar.waves.length === 0) return;
  const { moveTools, training, moveHours, moveHourCost, transferOut, transferIn } = values.general;
  const line = (id: string, name: string): FlowLine => ({
    id: `move/${id}`,
    side: 'move',
    kind: 'move',
    name,
  });
  const once = (of: FlowLine, month: number, amount: T): void => {
    if (month < months && a.number(amount) > 0) book.put(of, month, amount, amount);
  };
  once(line('tools', 'Tools for the move'), calendar.prepared, moveTools);
  once(line('training', 'Training'), calendar.prepared, training);
  const [work, copying] = [line('work', 'Work of the move'), line('copying', 'Copying data')];
  const hour = a.runTimes('An hour then', unit, trends.people, moveHourCost);
  const terabyte = a.sum('A terabyte, out and in', unit, [transferOut, transferIn]);
  for (const { parts, from, ramp } of calendar.waves) {
    const steps = Math.max(1, ramp);
    const part = a.fixed('Months of the ramp', steps, 'months');
    const machines = a.sum(
      'Machines of the wave',
      'machines',
      parts.map((at) => values.parts[at]!.machines),
    );
    const hours = a.times('Hours of the wave', 'hours', machines, moveHours);
    const stored = a.sum(
      'Stored by the wave',
      'TB',
      parts.map((at) => values.parts[at]!.stored),
    );
    const hoursEach = a.over('Hours of a month', 'hours', hours, part);
    const storedEach = a.over('Copied in a month', 'TB', stored, part);
    for (let month = from; month < from + steps; month += 1) {
      if (month >= months) break;
      once(work, month, a.times('Work of the move', unit, hoursEach, hour[month]!));
      once(copying, month, a.times('Copying data', unit, storedEach, terabyte));
    }
  }
}
