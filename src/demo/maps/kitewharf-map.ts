/** What Kitewharf's resource types are in the words of its price book; a file as a team would write one. */
export const KITEWHARF_MAP = `# Kitewharf: which of its resources is what, and where its size is read from.
wick: resource-map
version: 1
title: Kitewharf
providers:
  kitewharf: { book: kitewharf, region: region }

rules:
  - type: kitewharf_app
    kind: container-run-time
    count: copies ?? 1
    sku: "'KW-BOX'"
    vcpu: number(cpu)
    memory: number(memory)
    region: region
    parts:
      - name: disk
        kind: block-volume
        when: disk_gib
        count: copies ?? 1
        sku: "'KW-DISK'"
        region: region
        usage: { capacity: { amount: disk_gib, unit: GiB } }
    examples:
      - values: { cpu: 0.5, memory: 1, copies: 2, disk_gib: 10 }
        settings: { region: severn }
        gives: { sku: KW-BOX, count: "2", parts: 1 }

  - type: kitewharf_database
    kind: relational-database
    sku: "'KW-TIN-' + size"
    region: region
    usage: { stored: { amount: gib, unit: GiB } }
    examples:
      - values: { size: 2-8, gib: 50 }
        settings: { region: elbe }
        gives: { sku: KW-TIN-2-8, region: elbe, usage: { stored: "50" } }

  - type: kitewharf_cache
    kind: cache
    sku: "'KW-DASH-' + size"
    region: region
    examples:
      - values: { size: 1-2 }
        settings: { region: severn }
        gives: { sku: KW-DASH-1-2 }

  - type: kitewharf_crate
    kind: object-store
    sku: "'KW-CRATE'"
    region: region
  - type: kitewharf_postroom
    kind: queue
    sku: "'KW-POSTROOM'"
    region: region
  - type: kitewharf_front
    kind: content-delivery
    sku: "'KW-FRONT'"
    region: region
  - type: kitewharf_variable
    free: "Settings of an app cost nothing."
  - type: kitewharf_member
    free: "People are paid for with the plan of the team."
`;
