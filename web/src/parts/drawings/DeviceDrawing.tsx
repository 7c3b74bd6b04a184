import type { ReactNode } from 'react';

/** What is done on a device to belong to a kitchen. */
export type DeviceAct =
  | 'allow'
  | 'settings'
  | 'switch'
  | 'save'
  | 'search'
  | 'choose'
  | 'open'
  | 'root'
  | 'restart'
  | 'import'
  | 'home'
  | 'sound'
  | 'notice';

const LINE = {
  fill: 'none',
  stroke: 'var(--ink)',
  strokeWidth: 3,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
} as const;
const QUIET = { ...LINE, stroke: 'var(--quiet)', strokeWidth: 2.5 } as const;
const FULL = { fill: 'var(--brush)', stroke: 'none' } as const;

/** A phone, held upright. */
const Phone = ({ children }: { readonly children: ReactNode }) => (
  <>
    <rect
      x="60"
      y="8"
      width="80"
      height="134"
      rx="12"
      fill="var(--slip)"
      stroke="var(--ink)"
      strokeWidth="3"
    />
    <path d="M92 16 h16" {...LINE} />
    {children}
  </>
);
/** A window of a computer. */
const Window = ({ children }: { readonly children: ReactNode }) => (
  <>
    <rect
      x="14"
      y="16"
      width="172"
      height="118"
      rx="6"
      fill="var(--slip)"
      stroke="var(--ink)"
      strokeWidth="3"
    />
    <path d="M14 38 h172" {...LINE} />
    {children}
  </>
);
/** Lines of a list; one of them is the one that is meant. */
const List = ({
  x,
  y,
  width,
  meant,
}: {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly meant: number;
}) => (
  <>
    {[0, 1, 2, 3].map((row) =>
      row === meant ? (
        <rect key={row} x={x - 4} y={y + row * 22 - 9} width={width + 8} height="18" rx="4" {...FULL} />
      ) : (
        <path key={row} d={`M${x} ${y + row * 22} h${width}`} {...QUIET} />
      ),
    )}
  </>
);
/** The certificate as it lies there: a sheet with a seal. */
const Sheet = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g transform={`translate(${x} ${y})`}>
    <path
      d="M0 0 h26 l10 10 v36 h-36 z"
      fill="var(--page)"
      stroke="var(--ink)"
      strokeWidth="3"
      strokeLinejoin="round"
    />
    <path d="M7 16 h14 M7 24 h20" {...QUIET} />
    <circle cx="22" cy="36" r="6" {...FULL} />
  </g>
);
const Crock = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g transform={`translate(${x} ${y})`}>
    <path d="M2 6 h20 v10 q0 8 -10 8 q-10 0 -10 -8 z" {...FULL} />
    <path d="M0 3 h24" stroke="var(--brush)" strokeWidth="4" strokeLinecap="round" />
  </g>
);

const DRAWN: Readonly<Record<DeviceAct, ReactNode>> = {
  allow: (
    <Phone>
      <Sheet x={82} y={30} />
      <rect x="72" y="96" width="56" height="20" rx="6" {...FULL} />
      <path d="M72 128 h56" {...QUIET} />
    </Phone>
  ),
  settings: (
    <Phone>
      <List x={74} y={46} width={52} meant={0} />
    </Phone>
  ),
  switch: (
    <Phone>
      <path d="M74 44 h52 M74 108 h40" {...QUIET} />
      <path d="M74 76 h16" {...LINE} />
      <rect x="98" y="66" width="32" height="20" rx="10" {...FULL} />
      <circle cx="120" cy="76" r="7" fill="var(--slip)" />
    </Phone>
  ),
  save: (
    <Phone>
      <Sheet x={82} y={28} />
      <path d="M100 86 v30 m-12 -12 l12 12 l12 -12 M80 126 h40" {...LINE} />
    </Phone>
  ),
  search: (
    <Phone>
      <rect x="72" y="30" width="56" height="22" rx="11" {...LINE} />
      <circle cx="84" cy="40" r="4.5" {...LINE} strokeWidth={2.5} />
      <path d="M88 44 l4 4" {...LINE} strokeWidth={2.5} />
      <List x={74} y={74} width={52} meant={1} />
    </Phone>
  ),
  choose: (
    <Phone>
      <path d="M74 38 h52 M74 118 h52" {...QUIET} />
      <rect x="68" y="52" width="64" height="52" rx="6" fill="none" stroke="var(--brush)" strokeWidth="4" />
      <Sheet x={82} y={55} />
    </Phone>
  ),
  open: (
    <Window>
      <Sheet x={82} y={58} />
      <path
        d="M124 92 l0 26 l7 -6 l5 11 l5 -2 l-5 -11 l9 0 z"
        fill="var(--page)"
        stroke="var(--ink)"
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
    </Window>
  ),
  root: (
    <Window>
      <List x={34} y={58} width={100} meant={2} />
      <path d="M148 98 l8 8 l14 -18" {...LINE} stroke="var(--brush)" strokeWidth={5} />
    </Window>
  ),
  restart: (
    <Window>
      <path d="M118 68 a26 26 0 1 0 8 22 M118 50 v18 h-18" {...LINE} stroke="var(--brush)" strokeWidth={5} />
    </Window>
  ),
  import: (
    <Window>
      <List x={34} y={60} width={76} meant={1} />
      <Sheet x={136} y={52} />
      <path d="M132 116 h-20 m8 -8 l-8 8 l8 8" {...LINE} />
    </Window>
  ),
  home: (
    <Phone>
      {[0, 1, 2, 3, 4].map((i) => (
        <rect
          key={i}
          x={74 + (i % 2) * 30}
          y={34 + Math.floor(i / 2) * 32}
          width="22"
          height="22"
          rx="5"
          {...QUIET}
        />
      ))}
      <rect
        x="102"
        y="96"
        width="28"
        height="28"
        rx="6"
        fill="var(--page)"
        stroke="var(--brush)"
        strokeWidth="3"
      />
      <Crock x={104} y={97} />
    </Phone>
  ),
  sound: (
    <Phone>
      <path
        d="M78 66 h10 l14 -12 v44 l-14 -12 h-10 z"
        fill="var(--brush)"
        stroke="var(--ink)"
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
      <path d="M110 64 q8 12 0 24 M118 56 q14 20 0 40" {...LINE} />
    </Phone>
  ),
  notice: (
    <Phone>
      <rect
        x="68"
        y="30"
        width="64"
        height="36"
        rx="6"
        fill="var(--page)"
        stroke="var(--brush)"
        strokeWidth="3"
      />
      <Crock x={72} y={36} />
      <path d="M102 42 h22 M102 52 h16" {...LINE} strokeWidth={2.5} />
      <path d="M92 104 v-8 a8 8 0 0 1 16 0 v8 M88 104 h24 v18 h-24 z" {...QUIET} />
    </Phone>
  ),
};

/** What is done on a device, as it looks there. */
export const DeviceDrawing = (props: { readonly act: DeviceAct; readonly alone?: boolean }) => (
  <svg viewBox="0 0 200 150" aria-hidden="true" className={`device-drawing ${props.alone ? 'alone' : ''}`}>
    {DRAWN[props.act]}
  </svg>
);
