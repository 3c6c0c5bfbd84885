/** The tally line: always at the bottom, each figure under its name. */
import type { ReactNode } from 'react';

/** On a narrow screen the line is longer than the screen: it fades where it goes on, and is moved sideways. */
const NARROW =
  'max-[700px]:gap-5 max-[700px]:overflow-x-auto max-[700px]:pr-10 max-[700px]:[mask-image:linear-gradient(to_right,black_calc(100%-36px),transparent)]';

export function TallyLine({ children, aside }: { readonly children: ReactNode; readonly aside?: ReactNode }) {
  return (
    <footer
      aria-label="Tally"
      className={`flex h-[64px] shrink-0 items-center gap-6 border-t border-ink bg-page px-[18px] max-[1180px]:gap-5 ${NARROW}`}
    >
      {children}
      {aside && (
        <div className="ml-auto min-w-0 overflow-hidden text-right text-xs whitespace-nowrap text-soft max-[1180px]:hidden [&>*]:truncate">
          {aside}
        </div>
      )}
    </footer>
  );
}

export function TallyFigure({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="whitespace-nowrap">
      <div className="text-xs text-soft">{label}</div>
      <div className="text-base font-semibold tabular-nums">{children}</div>
    </div>
  );
}
