/** The settings of a placement. Each is in force as soon as it is changed. */
'use client';
import type { FleetPlacement, HostingForm, SizingRule } from '@/features/fleet/calc';
import { Choice } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import { Amount, exact, numberIn, Part } from './amount-entry';
import { PayingPart } from './paying-part';
import { Places } from './places-entry';

interface PlacementFormProps {
  readonly placement: FleetPlacement;
  readonly onPlacement: (placement: FleetPlacement) => void;
}

const HOSTS: Extract<HostingForm, { by: 'hosts' }> = {
  by: 'hosts',
  cpuTimes: 4,
  memoryTimes: 1,
  storageRatio: 1.5,
  spare: 1,
};

const RULES: readonly (readonly [string, string, SizingRule])[] = [
  ['installed', 'As installed', { by: 'installed' }],
  ['peak', 'Observed peak and headroom', { by: 'peak', headroom: 0.2 }],
  ['usual', '95th percentile and headroom', { by: 'usual', headroom: 0.2 }],
  ['cautious', 'Peak fills 40 % (cautious)', { by: 'target', cpu: 0.4, memory: 0.4 }],
  ['middle', 'Peak fills 60 % (middle)', { by: 'target', cpu: 0.6, memory: 0.6 }],
  ['bold', 'Peak fills 80 % (bold)', { by: 'target', cpu: 0.8, memory: 0.8 }],
  ['own', 'Peak fills a share of one’s own', { by: 'target', cpu: 0.65, memory: 0.75 }],
];

export function PlacementForm({ placement, onPlacement }: PlacementFormProps) {
  const set = (part: Partial<FleetPlacement>): void => onPlacement({ ...placement, ...part });
  const { form, rule, disks, least, allowed } = placement;
  return (
    <div className="max-w-[760px] space-y-5">
      <TextEntry
        label="Name of the placement"
        text={placement.name}
        maxLength={200}
        preview={(text) => (text.trim() ? null : 'A placement needs a name.')}
        commit={(text) => set({ name: text.trim() })}
        cancel={() => undefined}
      />
      <Places placement={placement} onPlacement={onPlacement} />
      <Part title="Form">
        <Choice
          label="Machines become"
          value={form.by}
          options={[
            ['shared', 'a server each'],
            ['hosts', 'machines on hosts of one’s own'],
            ['own-host', 'a whole host each'],
          ]}
          onChange={(by) => set({ form: by === 'hosts' ? HOSTS : { by } })}
        />
        {form.by === 'hosts' && (
          <>
            <Amount
              label="vCPU promised, times"
              value={form.cpuTimes}
              least={0.1}
              most={50}
              hint="Usual is 3 to 6; 1: none is promised twice"
              onValue={(cpuTimes) => set({ form: { ...form, cpuTimes } })}
            />
            <Amount
              label="Memory promised, times"
              value={form.memoryTimes}
              least={0.1}
              most={10}
              hint="Usual is 1 to 1.25"
              onValue={(memoryTimes) => set({ form: { ...form, memoryTimes } })}
            />
            <Amount
              label="Disk shrinks by"
              value={form.storageRatio}
              least={1}
              most={50}
              hint="By copies that are kept once"
              onValue={(storageRatio) => set({ form: { ...form, storageRatio } })}
            />
            <Amount
              label="Hosts that stand by"
              value={form.spare}
              least={0}
              most={100}
              whole
              onValue={(spare) => set({ form: { ...form, spare } })}
            />
          </>
        )}
      </Part>
      <Part title="How large">
        <Choice
          label="Rule"
          hint="Where nothing was measured, what is installed is taken, and that is said."
          value={ruleKey(rule)}
          options={RULES.map(([key, words]) => [key, words] as const)}
          onChange={(key) => set({ rule: RULES.find(([each]) => each === key)![2] })}
        />
        {(rule.by === 'peak' || rule.by === 'usual') && (
          <Amount
            label="Headroom, %"
            value={rule.headroom * 100}
            least={0}
            most={500}
            onValue={(value) => set({ rule: { ...rule, headroom: exact(value / 100) } })}
          />
        )}
        {rule.by === 'target' && (
          <>
            <Amount
              label="Of vCPU, %"
              value={rule.cpu * 100}
              least={1}
              most={100}
              onValue={(value) => set({ rule: { ...rule, cpu: exact(value / 100) } })}
            />
            <Amount
              label="Of memory, %"
              value={rule.memory * 100}
              least={1}
              most={100}
              onValue={(value) => set({ rule: { ...rule, memory: exact(value / 100) } })}
            />
          </>
        )}
        <Amount
          label="At least, vCPU"
          value={least.vcpu}
          least={0}
          most={1000}
          onValue={(vcpu) => set({ least: { ...least, vcpu } })}
        />
        <Amount
          label="At least, GiB"
          value={least.memory}
          least={0}
          most={10_000}
          onValue={(memory) => set({ least: { ...least, memory } })}
        />
        <Choice
          label="Burstable sizes"
          value={allowed.allowBurstable ? 'yes' : 'no'}
          options={YES_NO}
          onChange={(value) => set({ allowed: { ...allowed, allowBurstable: value === 'yes' } })}
        />
        <Choice
          label="Retiring sizes"
          value={allowed.allowRetiring ? 'yes' : 'no'}
          options={YES_NO}
          onChange={(value) => set({ allowed: { ...allowed, allowRetiring: value === 'yes' } })}
        />
        <TextEntry
          label="Only this family"
          text={allowed.family ?? ''}
          placeholder="any"
          preview={() => null}
          commit={(text) => set({ allowed: without(allowed, 'family', text) })}
          cancel={() => undefined}
        />
        <TextEntry
          label="Only this processor"
          text={allowed.processor ?? ''}
          placeholder="any"
          preview={() => null}
          commit={(text) => set({ allowed: without(allowed, 'processor', text) })}
          cancel={() => undefined}
        />
      </Part>
      <Part title="Disks and traffic">
        <Choice
          label="Volumes are made as large as"
          value={disks.by}
          options={[
            ['used', 'what is used'],
            ['allocated', 'what is set aside'],
          ]}
          onChange={(by) => set({ disks: { ...disks, by } })}
        />
        <Choice
          label="Medium"
          value={disks.medium}
          options={[
            ['solid state', 'solid state'],
            ['magnetic', 'magnetic'],
            ['cheapest', 'whichever costs least'],
          ]}
          onChange={(medium) => set({ disks: { ...disks, medium } })}
        />
        <Choice
          label="Counted"
          value={disks.pooled ? 'pooled' : 'each'}
          options={[
            ['each', 'one by one'],
            ['pooled', 'all as one'],
          ]}
          onChange={(value) => set({ disks: { ...disks, pooled: value === 'pooled' } })}
        />
        <TextEntry
          label="Low delay from so many operations a second"
          text={disks.fastFrom === null ? '' : String(disks.fastFrom)}
          placeholder="never"
          preview={(text) =>
            text.trim() === '' || numberIn(text, 0, 1e9) !== null ? null : 'A number, or nothing.'
          }
          commit={(text) =>
            set({ disks: { ...disks, fastFrom: text.trim() === '' ? null : numberIn(text, 0, 1e9) } })
          }
          cancel={() => undefined}
        />
        <Amount
          label="Copies kept, % of the volume"
          value={disks.snapshots * 100}
          least={0}
          most={1000}
          onValue={(value) => set({ disks: { ...disks, snapshots: exact(value / 100) } })}
        />
        <Amount
          label="Of what is sent, % leaves"
          value={placement.leaving * 100}
          least={0}
          most={100}
          onValue={(value) => set({ leaving: exact(value / 100) })}
        />
      </Part>
      <PayingPart placement={placement} onPlacement={onPlacement} />
    </div>
  );
}

const YES_NO = [
  ['no', 'are not taken'],
  ['yes', 'may be taken'],
] as const;

function ruleKey(rule: SizingRule): string {
  if (rule.by !== 'target') return rule.by;
  return (
    RULES.find(
      ([, , each]) => each.by === 'target' && each.cpu === rule.cpu && each.memory === rule.memory,
    )?.[0] ?? 'own'
  );
}

function without(
  allowed: FleetPlacement['allowed'],
  key: 'family' | 'processor',
  text: string,
): FleetPlacement['allowed'] {
  const { [key]: _, ...others } = allowed;
  return text.trim() ? { ...others, [key]: text.trim() } : others;
}
