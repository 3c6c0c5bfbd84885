/** How much is installed for nothing? What is installed against what is used, and how full machines are at their peak. */
import type { InstalledPicture } from '@/features/fleet/worker/fleet-protocol';
import { number, share } from './round';

export function Installed({ picture }: { readonly picture: InstalledPicture }) {
  const { rows, disk, tenths, unmeasured } = picture;
  const words = { vcpu: 'vCPU', memory: 'Memory, GiB' } as const;
  const cpu = rows[0]!;
  const most = Math.max(1, ...tenths);
  const idle = cpu.peak !== null && cpu.measured > 0 ? 1 - cpu.peak / cpu.measured : null;
  return (
    <section aria-labelledby="installed">
      <h2 id="installed" className="text-base font-semibold">
        How much is installed for nothing?
      </h2>
      <p className="mt-1 text-sm">
        {idle === null
          ? 'Nothing was measured, so nobody knows.'
          : `Of the vCPU of machines that were measured, ${share(idle)} is not used even when each is at its own peak.`}
      </p>
      <div className="mt-3 grid grid-cols-2 gap-8 max-[900px]:grid-cols-1">
        <table className="w-full self-start text-sm">
          <thead>
            <tr className="border-b border-ink text-left text-xs text-soft">
              <th scope="col" className="py-1 font-normal">
                What
              </th>
              <th scope="col" className="py-1 text-right font-normal">
                Installed
              </th>
              <th scope="col" className="py-1 text-right font-normal">
                of that measured
              </th>
              <th scope="col" className="py-1 text-right font-normal">
                at the peak
              </th>
              <th scope="col" className="py-1 text-right font-normal">
                95th percentile
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ what, installed, measured, peak, usual }) => (
              <tr key={what} className="border-b border-line">
                <th scope="row" className="py-1 text-left font-normal">
                  {words[what]}
                </th>
                <td className="text-right tabular-nums">{number(installed)}</td>
                <td className="text-right tabular-nums">{number(measured)}</td>
                <td className="text-right tabular-nums">
                  {peak === null ? '–' : `${number(peak)} (${share(measured > 0 ? peak / measured : 0)})`}
                </td>
                <td className="text-right tabular-nums">{usual === null ? '–' : number(usual)}</td>
              </tr>
            ))}
            <tr className="border-b border-line">
              <th scope="row" className="py-1 text-left font-normal">
                Disk, GiB
              </th>
              <td className="text-right tabular-nums">{number(disk.allocated)}</td>
              <td className="text-right text-soft">–</td>
              <td className="text-right tabular-nums" colSpan={2}>
                {disk.used === null ? '–' : `${number(disk.used)} used`}
              </td>
            </tr>
          </tbody>
        </table>
        <figure aria-label="Machines by how full their vCPU is at the peak">
          <figcaption className="text-sm font-semibold">
            How full is the vCPU of machines at their peak?
          </figcaption>
          <table className="mt-1 w-full text-sm">
            <tbody>
              {tenths.map((count, at) => (
                <tr key={at}>
                  <th
                    scope="row"
                    className="w-[84px] py-px text-left font-normal whitespace-nowrap text-soft"
                  >
                    {at * 10} to {at * 10 + 10} %
                  </th>
                  <td aria-hidden="true">
                    <div className="h-3 bg-brand" style={{ width: `${(count / most) * 100}%` }} />
                  </td>
                  <td className="w-[70px] text-right tabular-nums">{number(count)}</td>
                </tr>
              ))}
              <tr>
                <th scope="row" className="py-px text-left font-normal text-soft">
                  not measured
                </th>
                <td aria-hidden="true">
                  <div
                    className="h-3 border border-dashed border-ember"
                    style={{ width: `${Math.min(1, unmeasured / most) * 100}%` }}
                  />
                </td>
                <td className="text-right tabular-nums">{number(unmeasured)}</td>
              </tr>
            </tbody>
          </table>
        </figure>
      </div>
    </section>
  );
}
