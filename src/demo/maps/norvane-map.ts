/** What Norvane's resource types are in the words of its price book; a file as a team would write one. */
export const NORVANE_MAP = `# Norvane: which of its resources is what, and where its size is read from.
wick: resource-map
version: 1
title: Norvane
providers:
  norvane: { book: norvane, region: region }

tables:
  volumes: { even: NV-VOL-EVEN, swift: NV-VOL-SWIFT, steady: NV-VOL-STEADY, quiet: NV-VOL-QUIET }
  stores: { near: NV-STORE-NEAR, far: NV-STORE-FAR, deep: NV-STORE-DEEP }
  balancers: { connections: NV-CAPSTAN-4, requests: NV-CAPSTAN-7 }

rules:
  - type: norvane_server
    kind: server
    sku: "'NV-' + upper(size)"
    among: [NV-BAL-2-8, NV-BAL-4-16, NV-BAL-8-32, NV-BAL-16-64]
    region: region
    tags: labels
    parts:
      - name: root disk
        kind: block-volume
        when: root_disk.gib
        sku: "pick(root_disk.class ?? 'even', 'volumes')"
        region: region
        usage:
          capacity: { amount: root_disk.gib, unit: GiB }
          iops: { amount: "root_disk.iops ?? (root_disk.class == 'quiet' ? null : 0)", unit: IOPS }
          throughput: { amount: "root_disk.throughput ?? ((root_disk.class ?? 'even') == 'even' ? 0 : null)", unit: MiB/s }
      - name: disk
        each: disk
        kind: block-volume
        sku: "pick(it.class ?? 'even', 'volumes')"
        region: region
        usage:
          capacity: { amount: it.gib, unit: GiB }
          iops: { amount: "it.iops ?? (it.class == 'quiet' ? null : 0)", unit: IOPS }
          throughput: { amount: "it.throughput ?? ((it.class ?? 'even') == 'even' ? 0 : null)", unit: MiB/s }
    examples:
      - values: { size: bal-4-16, root_disk: { gib: 40 }, disk: [{ gib: 200, class: swift }, { gib: 80 }] }
        settings: { region: severn-1 }
        gives: { sku: NV-BAL-4-16, region: severn-1, count: "1", parts: 3 }

  - type: norvane_server_group
    kind: server
    count: least_size
    sku: "'NV-' + upper(size)"
    region: region
    tags: labels
    parts:
      - name: disks
        kind: block-volume
        when: disk.gib
        count: least_size
        sku: "pick(disk.class ?? 'even', 'volumes')"
        region: region
        usage:
          capacity: { amount: disk.gib, unit: GiB }
          iops: { amount: "disk.iops ?? (disk.class == 'quiet' ? null : 0)", unit: IOPS }
          throughput: { amount: "disk.throughput ?? ((disk.class ?? 'even') == 'even' ? 0 : null)", unit: MiB/s }
    examples:
      - values: { size: bal-2-8, least_size: 3, most_size: 9, disk: { gib: 30 } }
        settings: { region: elbe-1 }
        gives: { sku: NV-BAL-2-8, count: "3", parts: 1 }

  - type: norvane_volume
    kind: block-volume
    sku: "pick(class ?? 'even', 'volumes')"
    region: region
    tags: labels
    under: server
    usage:
      capacity: { amount: gib, unit: GiB }
      iops: { amount: "iops ?? (class == 'quiet' ? null : 0)", unit: IOPS }
      throughput: { amount: "throughput ?? ((class ?? 'even') == 'even' ? 0 : null)", unit: MiB/s }
    examples:
      - values: { gib: 500, class: swift }
        settings: { region: severn-1 }
        gives: { sku: NV-VOL-SWIFT, usage: { capacity: "500" } }
      - values: { gib: 400, class: quiet }
        settings: { region: severn-1 }
        gives: { sku: NV-VOL-QUIET, usage: { capacity: "400" } }

  - type: norvane_store
    kind: object-store
    sku: "pick(class ?? 'near', 'stores')"
    region: region
    tags: labels
    examples:
      - values: { class: deep }
        settings: { region: tagus-1 }
        gives: { sku: NV-STORE-DEEP }

  - type: norvane_share
    kind: file-share
    sku: "rarely_read == true ? 'NV-SHARE-RARE' : 'NV-SHARE'"
    region: region
    tags: labels
    examples:
      - values: { rarely_read: true }
        settings: { region: severn-1 }
        gives: { sku: NV-SHARE-RARE }

  - type: norvane_database
    kind: relational-database
    count: "1 + (replicas ?? 0)"
    sku: "'NV-DB-' + upper(engine) + '-' + upper(size)"
    region: region
    term: term ?? 'on-demand'
    tags: labels
    usage:
      stored: { amount: storage_gib, unit: GiB }
      iops: { amount: iops ?? 0, unit: IOPS }
    examples:
      - values: { engine: open, size: 4-16, storage_gib: 300, replicas: 1 }
        settings: { region: severn-1 }
        gives: { sku: NV-DB-OPEN-4-16, count: "2", usage: { stored: "300" } }

  - type: norvane_cache
    kind: cache
    count: nodes ?? 1
    sku: "'NV-QUICK-' + size"
    region: region
    tags: labels
    examples:
      - values: { size: 4-26, nodes: 2 }
        settings: { region: severn-1 }
        gives: { sku: NV-QUICK-4-26, count: "2" }

  - type: norvane_function
    kind: function
    sku: "'NV-FLINT'"
    vcpu: "number(memory_mib) / 1024 / 2"
    memory: "number(memory_mib) / 1024"
    region: region
    tags: labels
    examples:
      - values: { memory_mib: 512 }
        settings: { region: severn-1 }
        gives: { sku: NV-FLINT }

  - type: norvane_container_service
    kind: container-run-time
    count: replicas ?? 1
    sku: "'NV-BERTH'"
    vcpu: number(vcpu)
    memory: number(memory_gib)
    region: region
    tags: labels
    examples:
      - values: { vcpu: 0.5, memory_gib: 1, replicas: 3 }
        settings: { region: severn-1 }
        gives: { sku: NV-BERTH, count: "3" }

  - type: norvane_cluster
    kind: container-cluster
    sku: "'NV-FLEET'"
    region: region
    tags: labels
    examples:
      - values: {}
        settings: { region: severn-1 }
        gives: { sku: NV-FLEET }

  - type: norvane_queue
    kind: queue
    sku: "'NV-POST'"
    region: region
    tags: labels
    examples:
      - values: {}
        settings: { region: severn-1 }
        gives: { sku: NV-POST }

  - type: norvane_stream
    kind: stream
    count: shards ?? 1
    sku: "'NV-CURRENT'"
    region: region
    tags: labels
    examples:
      - values: { shards: 4 }
        settings: { region: severn-1 }
        gives: { sku: NV-CURRENT, count: "4" }

  - type: norvane_balancer
    kind: balancer-requests
    when: "(layer ?? 'requests') == 'requests'"
    sku: "pick('requests', 'balancers')"
    region: region
    tags: labels
    parts:
      - name: for connections
        kind: balancer-connections
        when: "layer == 'connections'"
        sku: "pick('connections', 'balancers')"
        region: region
    examples:
      - values: { layer: connections }
        settings: { region: severn-1 }
        gives: { sku: NV-CAPSTAN-4 }

  - type: norvane_address
    kind: address
    sku: "'NV-ADDRESS'"
    region: region
    under: server
    tags: labels
    examples:
      - values: {}
        settings: { region: severn-1 }
        gives: { sku: NV-ADDRESS }

  - type: norvane_outbound_gateway
    kind: outbound-gateway
    sku: "'NV-GANGWAY'"
    region: region
    tags: labels
    examples:
      - values: {}
        settings: { region: severn-1 }
        gives: { sku: NV-GANGWAY }

  - type: norvane_edge
    kind: content-delivery
    sku: "'NV-EDGE'"
    region: region
    tags: labels
    examples:
      - values: {}
        settings: { region: severn-1 }
        gives: { sku: NV-EDGE }

  - type: norvane_internet_traffic
    kind: transfer-out
    sku: "'NV-OUT'"
    region: region
    examples:
      - values: {}
        settings: { region: severn-1 }
        gives: { sku: NV-OUT }

  - type: norvane_volume_attachment
    free: "It only says which disk is at which server."
  - type: norvane_network
    free: "Networks cost nothing; what crosses them does."
  - type: norvane_subnet
    free: "Networks cost nothing; what crosses them does."
  - type: norvane_access_rules
    free: "Rules of access cost nothing."
  - type: norvane_role
    free: "Who may do what costs nothing."
  - type: norvane_names_record
    free: "Records cost nothing; their zone and its requests do."
`;
