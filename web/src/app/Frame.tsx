import {
  IconBook2,
  IconCalculator,
  IconCalendarTime,
  IconClipboardCheck,
  IconFridge,
  IconHelp,
  IconMilk,
  IconNotes,
  IconPlant2,
  IconSchool,
  IconToolsKitchen2,
} from '@tabler/icons-react';
import { lazy, Suspense, useEffect, useRef } from 'react';
import { NavLink, Outlet, useLocation } from 'react-router';
import { useKitchenQuery } from '../data/api.ts';
import { followLog } from '../data/stream.ts';
import { KeptWatch } from './KeptWatch.tsx';
import { KeyHelp } from './KeyHelp.tsx';
import { Watch } from './Watch.tsx';
import './frame.css';

/** Only a device that does not belong here yet is asked. */
const Join = lazy(async () => ({ default: (await import('../places/device/Join.tsx')).Join }));
/** What follows a day that is going on comes after the first view. */
const DayKeeper = lazy(async () => ({ default: (await import('./DayKeeper.tsx')).DayKeeper }));
/** Until it is there the Bench shows what its crocks were stored with. */
const LiveMakes = lazy(async () => ({ default: (await import('./LiveMakes.tsx')).LiveMakes }));
const MorePlaces = lazy(async () => ({ default: (await import('./MorePlaces.tsx')).MorePlaces }));

const PLACES = [
  { to: '/', label: 'Bench', Icon: IconClipboardCheck, end: true },
  { to: '/day', label: 'Day', Icon: IconCalendarTime, end: false },
  { to: '/milk', label: 'Milk room', Icon: IconMilk, end: false },
  { to: '/cultures', label: 'Cultures', Icon: IconPlant2, end: false },
  { to: '/larder', label: 'Larder', Icon: IconFridge, end: false },
  { to: '/daybook', label: 'Daybook', Icon: IconBook2, end: false },
  { to: '/methods', label: 'Methods', Icon: IconNotes, end: false },
  { to: '/practice', label: 'Practice', Icon: IconSchool, end: false },
  { to: '/sums', label: 'Tools', Icon: IconCalculator, end: false },
  { to: '/kitchen', label: 'Kitchen', Icon: IconToolsKitchen2, end: false },
  { to: '/help', label: 'Help', Icon: IconHelp, end: false },
] as const;

/** Places that stand in the bar of a phone; the others are under “More”. */
const ON_PHONE = 4;

/** The frame of every place: rail on the left, clock line on top. */
export function Frame() {
  const { data: kitchen, isError, error, refetch } = useKitchenQuery();
  const stranger = error !== undefined && 'code' in error && error.code === 'code-needed';
  const { pathname } = useLocation();
  const lastSeq = kitchen?.lastSeq;
  const known = lastSeq !== undefined;
  // Followed once from the first picture; the stream keeps its own place after that.
  const firstSeq = useRef(lastSeq);
  firstSeq.current ??= lastSeq;
  useEffect(() => {
    if (!known) return;
    return followLog(firstSeq.current ?? 0);
  }, [known]);
  useEffect(() => {
    if (!isError || stranger) return;
    const timer = setTimeout(() => void refetch(), 2000);
    return () => clearTimeout(timer);
  }, [isError, stranger, refetch]);
  useEffect(() => {
    const place =
      PLACES.find((p) => p.to === pathname || (!p.end && pathname.startsWith(p.to)))?.label ?? 'Batch';
    document.title = `${place} · Morning Crock`;
  }, [pathname]);
  if (stranger)
    return (
      <Suspense fallback={null}>
        <Join />
      </Suspense>
    );
  return (
    <div className="frame">
      <a className="skip" href="#place">
        Skip to main content
      </a>
      <nav className="rail" aria-label="Main menu">
        <div className="mark" aria-hidden="true">
          <img src="/crock.svg" width="40" height="40" alt="" />
        </div>
        {PLACES.map(({ to, label, Icon, end }, i) => (
          <NavLink key={to} to={to} end={end} className={i < ON_PHONE ? '' : 'rail-rest'}>
            <Icon size={28} stroke={1.6} aria-hidden="true" />
            {label}
          </NavLink>
        ))}
        <Suspense>
          <MorePlaces places={PLACES.slice(ON_PHONE)} />
        </Suspense>
      </nav>
      <div className="beside-rail">
        <Watch />
        <main id="place" className="place grows" tabIndex={-1} data-path={pathname}>
          <Outlet />
        </main>
      </div>
      <KeptWatch />
      <Suspense>
        <LiveMakes />
        <DayKeeper />
      </Suspense>
      <KeyHelp />
    </div>
  );
}
