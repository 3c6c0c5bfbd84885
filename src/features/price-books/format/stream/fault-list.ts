/** Collects the faults of a streamed file: the first hundred in full, the rest counted. */
import { type Fault, MOST_FAULTS } from '@/platform/formats/faults';

export class FaultList {
  readonly first: Fault[] = [];
  more = 0;

  add(...faults: readonly Fault[]): void {
    for (const fault of faults) {
      if (this.first.length < MOST_FAULTS) this.first.push(fault);
      else this.more += 1;
    }
  }

  get isEmpty(): boolean {
    return this.first.length === 0;
  }

  /** Whether a fault's exact place is still worth finding. */
  get takesMore(): boolean {
    return this.first.length < MOST_FAULTS;
  }
}
