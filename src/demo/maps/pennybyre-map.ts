/** What Pennybyre's resource types are in the words of its price book; a file as a team would write one. */
export const PENNYBYRE_MAP = `# Pennybyre: which of its resources is what, and where its size is read from.
wick: resource-map
version: 1
title: Pennybyre
providers:
  pennybyre:
    book: pennybyre
    region: site
    regions: { elbe: ELB1, skagerrak: SKA1, hudson: HUD1 }

rules:
  - type: pennybyre_hut
    kind: server
    sku: "'PB-' + upper(size)"
    among: [PB-HUT-2-4, PB-HUT-4-8, PB-MILL-4-8]
    region: site
    tags: labels
    examples:
      - values: { size: hut-4-8 }
        settings: { site: elbe }
        gives: { sku: PB-HUT-4-8, region: ELB1 }

  - type: pennybyre_volume
    kind: block-volume
    sku: "'PB-VOL'"
    region: site
    under: hut
    tags: labels
    usage: { capacity: { amount: gib, unit: GiB } }
    examples:
      - values: { gib: 40 }
        settings: { site: skagerrak }
        gives: { sku: PB-VOL, region: SKA1, usage: { capacity: "40" } }

  - type: pennybyre_bin
    kind: object-store
    sku: "'PB-BIN'"
    region: site
    tags: labels
  - type: pennybyre_fork
    kind: balancer-connections
    sku: "'PB-FORK'"
    region: site
    tags: labels
  - type: pennybyre_ip
    kind: address
    sku: "'PB-IP'"
    region: site
    under: hut
  - type: pennybyre_lane
    free: "Networks cost nothing; what leaves them does."
  - type: pennybyre_gate
    free: "Rules of access cost nothing."
`;
