/** What a near miss lacks, in words. */
import type { Miss } from '../sizing';

const WORDS: Readonly<Record<Miss['lacks'][number], string>> = {
  vcpu: 'too few vCPU',
  memory: 'too little memory',
  gpu: 'too few GPU',
  announced: 'announced, not sold yet',
  capability: 'a capability asked for',
  attribute: 'another grade or form',
  family: 'another family',
  processor: 'another processor make',
  burstable: 'burstable',
  retiring: 'being retired',
  term: 'not sold under this term',
};

/**
 * @example
 * lacksText(['vcpu', 'burstable']); // => 'too few vCPU, burstable'
 */
export function lacksText(lacks: Miss['lacks']): string {
  return lacks.map((lack) => WORDS[lack]).join(', ');
}
