/** What Osmere's resource types are in the words of its price book; a file as a team would write one. */
export const OSMERE_MAP = `# Osmere: which of its resources is what, and where its size is read from.
wick: resource-map
version: 1
title: Osmere
providers:
  osmere:
    book: osmere
    region: region
    regions: { elbe: de.elbe, severn: uk.severn, tagus: pt.tagus, hudson: us.hudson }

tables:
  planks: { plain: OS-PLANK, quick: OS-PLANK-QUICK, slow: OS-PLANK-SLOW }
  holds: { often: OS-HOLD, rare: OS-HOLD-RARE, ice: OS-HOLD-ICE }

rules:
  - type: osmere_instance
    kind: server
    sku: "'OS-' + upper(replace(shape, '.', '-'))"
    region: region
    tags: tags
    parts:
      - name: disk
        each: disks
        kind: block-volume
        sku: "pick(it.kind ?? 'plain', 'planks')"
        region: region
        usage: { capacity: { amount: it.size_gib, unit: GiB } }
    examples:
      - values: { shape: tern.4.16, disks: [{ size_gib: 50 }] }
        settings: { region: elbe }
        gives: { sku: OS-TERN-4-16, region: de.elbe, parts: 1 }

  - type: osmere_bucket
    kind: object-store
    sku: "pick(class ?? 'often', 'holds')"
    region: region
    tags: tags
    examples:
      - values: { class: ice }
        settings: { region: hudson }
        gives: { sku: OS-HOLD-ICE, region: us.hudson }

  - type: osmere_service
    kind: container-run-time
    count: instances ?? 1
    sku: "billing == 'request' ? 'OS-OAR-REQUEST' : 'OS-OAR-ALWAYS'"
    vcpu: number(cpu)
    memory: number(memory_gib)
    region: region
    tags: tags
    examples:
      - values: { cpu: 1, memory_gib: 2, billing: request }
        settings: { region: severn }
        gives: { sku: OS-OAR-REQUEST, region: uk.severn }

  - type: osmere_queue
    kind: queue
    sku: "'OS-BOTTLE'"
    region: region
    tags: tags
  - type: osmere_network
    free: "Networks cost nothing; what crosses them does."
  - type: osmere_policy
    free: "Who may do what costs nothing."
`;
