/** Every public function of core shows one example in its docstring, and it is true. */
import { describe, expect, it } from 'vitest';
import { publicFunctions, runExample, world } from '@tests/support/examples';

const functions = publicFunctions();

describe('the public functions of core', () => {
  it('have an example, all of them', () => {
    expect(functions.length).toBeGreaterThan(150);
    const without = functions.filter((each) => each.example === null);
    expect(without.map(({ module, name }) => `${module}: ${name}`)).toEqual([]);
  });

  it('do what their examples say', async () => {
    const given = await world();
    for (const { module, name, example } of functions) {
      if (example === null) continue;
      const claims = runExample(example, given);
      expect(claims.length, `the example of ${module}/${name} claims nothing`).toBeGreaterThan(0);
      for (const { said, found } of claims) expect(found, `${module}/${name}`).toEqual(said);
    }
  });

  it('are checked: a claim that is not true is found', async () => {
    const [claim] = runExample("inAllCases('4').likely; // => '5'", await world());
    expect(claim!.found).not.toEqual(claim!.said);
  });
});
