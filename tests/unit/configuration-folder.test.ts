/** Configuration without a plan: what can be told without running anything, and that the rest is said, never taken for nothing. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { extractOf, type Plan, reviewOf } from '@/features/review/calc';
import { readFolder } from '@/features/review/format/plan/configuration-folder';
import { demoBookSet, demoMap, demoSetting, fine, rowOf } from '@tests/support/reviews';
import { drawn, metAtLeast } from '@tests/support/drawn';

const read = (files: Record<string, string>): Plan => fine(readFolder(new Map(Object.entries(files))));
const only = (text: string): Plan => read({ 'main.tf': text });
const addresses = ({ resources }: Plan): string[] => resources.map(({ address }) => address);

function review(plan: Plan) {
  const extract = extractOf(plan, demoMap);
  const profile = { title: '', loads: [] };
  return reviewOf({ extract, profile, setting: demoSetting, books: demoBookSet() }).review;
}

const PROVIDER = 'provider "norvane" {\n  region = "severn-1"\n}\n';

describe('a folder of configuration', () => {
  it('is priced as far as it says plainly what there is', () => {
    const plan = only(`${PROVIDER}
# Three of them, and their disks.
variable "size" { default = "bal-4-16" }
locals { many = 3 }
resource "norvane_server" "web" {
  count = local.many
  size  = var.size
  root_disk { gib = 40 }
  disk {
    gib   = 100
    class = "swift"
  }
  disk { gib = 20 }
  labels = { team = "web", "cost centre" : "7" }
}
`);
    expect(addresses(plan)).toEqual([0, 1, 2].map((at) => `norvane_server.web[${at}]`));
    const told = review(plan);
    const row = rowOf(told, 'norvane_server.web[0]');
    expect(row.lines.map(({ part, size }) => [part, size.after])).toEqual([
      [null, 'bal-4-16'],
      ['root disk', expect.anything()],
      ['disk 1', expect.anything()],
      ['disk 2', expect.anything()],
    ]);
    expect(row.doubts).toEqual([]);
    expect(Number(told.totals.after)).toBeGreaterThan(300);
    expect(told.remarks[0]).toContain('rough first look');
  });

  it('says of each resource what it cannot know without a plan', () => {
    const told = review(
      only(`${PROVIDER}
resource "norvane_server" "a" { size = lookup(var.sizes, "web", "bal-2-8") }
resource "norvane_server" "b" { size = norvane_server.a.size }
resource "norvane_volume" "c" { gib = var.large ? 900 : 10 }
resource "norvane_volume" "d" { gib = 10 + 5 }
`),
    );
    for (const address of ['norvane_server.a', 'norvane_server.b', 'norvane_volume.c', 'norvane_volume.d'])
      expect(rowOf(told, address).doubts, address).toContain('unknown');
    expect(told.totals.after).toBe('0');
    expect(told.doubts.unknown).toBe(4);
  });

  it('never reads a variable that is marked as sensitive', () => {
    const plan = only(`${PROVIDER}
variable "secret_size" {
  default   = "CANARY-size"
  sensitive = true
}
resource "norvane_server" "a" { size = var.secret_size }
resource "norvane_server" "b" { size = "bal-\${var.secret_size}" }
`);
    const extract = extractOf(plan, demoMap);
    expect(JSON.stringify(extract)).not.toContain('CANARY');
    const told = review(plan);
    for (const address of ['norvane_server.a', 'norvane_server.b'])
      expect(rowOf(told, address).doubts).toContain('secret');
  });

  it('keys what is keyed, and says where it is not known how many there are', () => {
    const plan = only(`${PROVIDER}
resource "norvane_volume" "a" {
  for_each = { small = 10, large = 900 }
  gib      = each.value
}
resource "norvane_address" "b" { for_each = toset(["x", "y"]) }
resource "norvane_address" "c" { count = length(var.list) }
resource "norvane_address" "d" { count = 0 }
`);
    expect(addresses(plan)).toEqual([
      'norvane_volume.a["small"]',
      'norvane_volume.a["large"]',
      'norvane_address.b["x"]',
      'norvane_address.b["y"]',
      'norvane_address.c',
    ]);
    expect(plan.resources[1]!.after!.values.gib).toBe(900);
    expect(plan.remarks.join(' ')).toContain('norvane_address.c: how many there are is not known');
  });

  it('follows modules of the folder with what they are given, and their providers', () => {
    const plan = read({
      'main.tf': `${PROVIDER}
provider "norvane" {
  alias  = "far"
  region = "tasman-1"
}
module "near" {
  source = "./parts/web"
  size   = "bal-2-8"
}
module "far" {
  source    = "./parts/web"
  size      = "bal-8-32"
  providers = { norvane = norvane.far }
}
module "bought" { source = "elsewhere/web" }
`,
      'parts/web/web.tf': 'variable "size" {}\nresource "norvane_server" "it" { size = var.size }\n',
      'parts/web/notes.txt': 'not read',
    });
    expect(addresses(plan)).toEqual(['module.near.norvane_server.it', 'module.far.norvane_server.it']);
    const told = review(plan);
    expect(rowOf(told, 'module.near.norvane_server.it').lines[0]).toMatchObject({ region: 'severn-1' });
    expect(rowOf(told, 'module.far.norvane_server.it').lines[0]).toMatchObject({
      region: 'tasman-1',
      size: { after: 'bal-8-32' },
    });
    expect(plan.remarks.join(' ')).toContain('module.bought comes from elsewhere');
  });

  it('takes given values, texts over lines, comments, and blocks that are made by a rule as not known', () => {
    const plan = read({
      'given.tfvars': 'size = "bal-8-32"\n',
      'main.tf': `${PROVIDER}
variable "size" { default = "bal-2-8" }
/* a comment { over
   lines */
resource "norvane_server" "a" {
  size = "\${var.size}" // its size
  start = <<-END
    echo "{ not a block"
  END
  dynamic "disk" {
    for_each = var.disks
    content { gib = disk.value }
  }
  lifecycle { ignore_changes = [size] }
}
`,
    });
    const [server] = plan.resources;
    expect(server!.after!.values.size).toBe('bal-8-32');
    expect(server!.after!.values).not.toHaveProperty('lifecycle');
    expect(rowOf(review(plan), 'norvane_server.a').doubts).toContain('unknown');
  });

  it.each([
    ['resource "a" "b" {', 'A “}” is missing'],
    ['}', 'A “}” too many'],
    ['a = "x', 'has no end'],
    ['a = <<END\nx', 'has no end'],
    ['a = "${b"', 'has no end'],
    ['resource "a" "b" = 3', 'is expected'],
    ['a =\n', 'is expected'],
    ['\u0000', 'not understood'],
  ])('refuses %j with its line', (text, words) => {
    const refused = readFolder(new Map([['sub/bad.tf', `\n${text}`]]));
    expect(refused).toMatchObject({ ok: false, faults: [{ path: 'sub/bad.tf' }] });
    if (!refused.ok) {
      expect(refused.faults[0]!.message).toContain(words);
      expect(refused.faults[0]!.line).toBeGreaterThan(1);
    }
  });

  it('is bounded: modules in a circle, counts without end, deep nesting', () => {
    const circle = read({ 'main.tf': 'module "again" { source = "./" }\nresource "x_y" "z" {}\n' });
    expect(circle.resources.length).toBeLessThan(30);
    expect(circle.remarks.join(' ')).toContain('deeper than');
    const many = only('resource "x_y" "z" { count = 1000000000 }');
    expect(many.resources).toHaveLength(1);
    expect(readFolder(new Map([['a.tf', `a = ${'['.repeat(5000)}`]])).ok).toBe(false);
    expect(readFolder(new Map([['a.tf', 'b {\n'.repeat(5000)]])).ok).toBe(false);
    const nothing = readFolder(new Map([['a.txt', '']]));
    expect(nothing.ok).toBe(false);
  });

  it('reads or refuses whatever is made of it, in time, and never throws', () => {
    const base = `${PROVIDER}
variable "size" { default = "bal-4-16" }
resource "norvane_server" "web" {
  count = 2
  size  = "\${var.size}"
  disk { gib = [1, { a = "b" }][0] }
  labels = { team = "web" }
}
module "m" { source = "./m" }
`;
    const signs = [
      '{',
      '}',
      '[',
      ']',
      '(',
      ')',
      '"',
      '${',
      '%{',
      '<<E\n',
      '=',
      ',',
      '\n',
      '.',
      '\\',
      '#',
      '/*',
      '\u0000',
      '9e99',
      'for',
    ];
    let refusals = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(base.length), fc.constantFrom(...signs), fc.nat(20)), {
          minLength: 1,
          maxLength: 6,
        }),
        (changes) => {
          let text = base;
          for (const [at, sign, cutOff] of changes) text = text.slice(0, at) + sign + text.slice(at + cutOff);
          const before = performance.now();
          const found = readFolder(
            new Map([
              ['main.tf', text],
              ['m/m.tf', text],
            ]),
          );
          expect(performance.now() - before).toBeLessThan(1000);
          if (!found.ok) refusals += 1;
          else expect(() => review(found.value)).not.toThrow();
        },
      ),
      { numRuns: drawn(1500) },
    );
    expect(refusals).toBeGreaterThan(metAtLeast(200));
  }, 120_000);
});
