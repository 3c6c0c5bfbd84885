/** What Haldreach's resource types are in the words of its price book; a file as a team would write one. */
export const HALDREACH_MAP = `# Haldreach: which of its resources is what, and where its size is read from.
wick: resource-map
version: 1
title: Haldreach
providers:
  haldreach:
    book: haldreach
    region: location
    regions: { severn: HR-SEV, elbe: HR-ELB, skagerrak: HR-SKA, hudson: HR-HUD, columbia: HR-COL, plata: HR-PLA, tasman: HR-TAS }

rules:
  - type: haldreach_machine
    kind: server
    count: number_of ?? 1
    sku: "'HD-' + upper(form)"
    among: [HD-PINE-2-8, HD-PINE-4-16, HD-PINE-8-32]
    region: location
    tags: marks
    parts:
      - name: disk
        each: disks
        kind: block-volume
        sku: "it.calm == true ? 'HD-BLOCK-CALM' : 'HD-BLOCK'"
        region: location
        usage: { capacity: { amount: it.gib, unit: GiB } }
    examples:
      - values: { form: pine-4-16, disks: [{ gib: 100 }, { gib: 20, calm: true }] }
        settings: { location: severn }
        gives: { sku: HD-PINE-4-16, region: HR-SEV, parts: 2 }

  - type: haldreach_database
    kind: relational-database
    count: "standby == true ? 2 : 1"
    sku: "'HD-VAULT-' + upper(grade ?? 'std') + '-' + form"
    region: location
    tags: marks
    usage: { stored: { amount: gib, unit: GiB } }
    examples:
      - values: { form: 4-32, gib: 200, standby: true }
        settings: { location: elbe }
        gives: { sku: HD-VAULT-STD-4-32, region: HR-ELB, count: "2", usage: { stored: "200" } }

  - type: haldreach_disk
    kind: block-volume
    sku: "calm == true ? 'HD-BLOCK-CALM' : 'HD-BLOCK'"
    region: location
    under: machine
    tags: marks
    usage: { capacity: { amount: gib, unit: GiB } }
    examples:
      - values: { gib: 500 }
        settings: { location: tasman }
        gives: { sku: HD-BLOCK, region: HR-TAS, usage: { capacity: "500" } }

  - type: haldreach_archive
    kind: object-store
    sku: "kept_cold == true ? 'HD-CELLAR' : 'HD-BARN'"
    region: location
    tags: marks
    examples:
      - values: { kept_cold: true }
        settings: { location: hudson }
        gives: { sku: HD-CELLAR, region: HR-HUD }

  - type: haldreach_relay
    kind: queue
    sku: "'HD-RELAY'"
    region: location
    tags: marks
  - type: haldreach_spread
    kind: balancer-requests
    sku: "'HD-SPREAD'"
    region: location
    tags: marks
  - type: haldreach_plate
    kind: address
    sku: "'HD-PLATE'"
    region: location
    under: machine
  - type: haldreach_enclosure
    free: "Networks cost nothing; what crosses them does."
  - type: haldreach_permission
    free: "Who may do what costs nothing."
`;
