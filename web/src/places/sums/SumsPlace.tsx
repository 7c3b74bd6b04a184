import '../../parts/fields/form-styles.ts';
import { useEffect, useRef, type ComponentType } from 'react';
import { Link, NavLink, useParams, useSearchParams } from 'react-router';
import { useKitchenQuery } from '../../data/api.ts';
import { CrockDrawing } from '../../parts/drawings/CrockDrawing.tsx';
import { BoughtSum } from './BoughtSum.tsx';
import { BoxSum } from './BoxSum.tsx';
import { CheeseSum } from './CheeseSum.tsx';
import { ChurnSum } from './ChurnSum.tsx';
import { CoolDown } from './CoolDown.tsx';
import { DoseSum } from './DoseSum.tsx';
import { DrainSum } from './DrainSum.tsx';
import { IceBath } from './IceBath.tsx';
import { PasteuriseSum } from './PasteuriseSum.tsx';
import { PowderMix } from './PowderMix.tsx';
import { RennetSum } from './RennetSum.tsx';
import { SetTime } from './SetTime.tsx';
import { LactationSum } from './LactationSum.tsx';
import { SkimSum } from './SkimSum.tsx';
import { StandardiseSum } from './StandardiseSum.tsx';
import { ThawSum } from './ThawSum.tsx';
import { VigourSum } from './VigourSum.tsx';
import { ThermometerSum } from './ThermometerSum.tsx';
import { useSumDesk, type SumDesk } from './use-sum.ts';
import './sums.css';

/** The tools in four groups, each with what stands in its crock. */
const GROUPS = [
  { id: 'heat', title: 'Heat and cool', drawn: { fill: 0.7, surface: 'hot', brush: 'waves' } },
  { id: 'culture', title: 'Culture', drawn: { fill: 0.7, surface: 'set', brush: 'buds' } },
  { id: 'cream', title: 'Cream and butter', drawn: { fill: 0.45, surface: 'lump', brush: 'cord' } },
  { id: 'curd', title: 'Curd and cheese', drawn: { fill: 0.4, surface: 'cloth', brush: 'nets' } },
] as const;

interface Sum {
  readonly name: string;
  readonly group: (typeof GROUPS)[number]['id'];
  readonly title: string;
  readonly asks: string;
  readonly Face: ComponentType<{ readonly desk: SumDesk }>;
}

/** One entry an instrument. */
const SUMS: readonly Sum[] = [
  {
    name: 'cool-down',
    group: 'heat',
    title: 'Cooling time',
    asks: 'When is the pot cool enough to inoculate?',
    Face: CoolDown,
  },
  { name: 'ice-bath', group: 'heat', title: 'Ice bath', asks: 'How much ice, and how long?', Face: IceBath },
  {
    name: 'set-time',
    group: 'culture',
    title: 'Setting time',
    asks: 'How long will the milk take to set?',
    Face: SetTime,
  },
  {
    name: 'dose',
    group: 'culture',
    title: 'Starter dose',
    asks: 'How much starter to set on time?',
    Face: DoseSum,
  },
  {
    name: 'powder',
    group: 'culture',
    title: 'Milk powder and mixing',
    asks: 'How thick will the yogurt be?',
    Face: PowderMix,
  },
  {
    name: 'warm-box',
    group: 'heat',
    title: 'Warm box',
    asks: 'How much hot water in the bottles?',
    Face: BoxSum,
  },
  { name: 'skim', group: 'cream', title: 'Skimming', asks: 'How much cream will rise?', Face: SkimSum },
  {
    name: 'standardise',
    group: 'cream',
    title: 'Standardising',
    asks: 'How much of each milk for the fat you want?',
    Face: StandardiseSum,
  },
  {
    name: 'churn',
    group: 'cream',
    title: 'Churning time',
    asks: 'How long until the cream breaks?',
    Face: ChurnSum,
  },
  {
    name: 'bought',
    group: 'cream',
    title: 'Bought cream',
    asks: 'Is bought cream worth churning?',
    Face: BoughtSum,
  },
  {
    name: 'drain',
    group: 'curd',
    title: 'Draining time',
    asks: 'How long until the yogurt or curd is thick enough?',
    Face: DrainSum,
  },
  {
    name: 'rennet',
    group: 'curd',
    title: 'Rennet',
    asks: 'How much rennet, and when to test?',
    Face: RennetSum,
  },
  {
    name: 'cheese',
    group: 'curd',
    title: 'Cheese yield and brine',
    asks: 'Yield, pressing, brine and wash water',
    Face: CheeseSum,
  },
  {
    name: 'vigour',
    group: 'culture',
    title: 'Dose for an older starter',
    asks: 'How much more starter when it is older?',
    Face: VigourSum,
  },
  {
    name: 'thaw',
    group: 'heat',
    title: 'Thawing time',
    asks: 'How long to thaw milk or cream?',
    Face: ThawSum,
  },
  {
    name: 'lactation',
    group: 'cream',
    title: 'Lactation curve',
    asks: 'How much milk in the weeks ahead?',
    Face: LactationSum,
  },
  {
    name: 'thermometer',
    group: 'heat',
    title: 'Thermometer check',
    asks: 'Does the thermometer read true?',
    Face: ThermometerSum,
  },
  {
    name: 'pasteurise',
    group: 'heat',
    title: 'Heat treatment',
    asks: 'Is the hold hot and long enough?',
    Face: PasteuriseSum,
  },
];

/** Small instruments that compute while they are turned. */
export function SumsPlace() {
  const { name = 'cool-down' } = useParams();
  const [search] = useSearchParams();
  const { data } = useKitchenQuery();
  const desk = useSumDesk();
  const sum = SUMS.find((s) => s.name === name);
  const names = useRef<HTMLElement>(null);
  // The tool that is open stands in sight among the others.
  useEffect(() => {
    names.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [name]);
  const query = search.size > 0 ? `?${search.toString()}` : '';
  const asked = search.get('for');
  const waiting = !data || (asked !== null && asked !== 'new' && desk.askedBy === 'nobody');
  return (
    <div className="sums">
      <nav ref={names} aria-label="Tools" className="sum-names">
        <div className="sum-group">
          <h2>
            <CrockDrawing fill={0.55} surface="whey" brush="buds" label="" />
            Trouble
          </h2>
          <NavLink to="/why">What went wrong?</NavLink>
        </div>
        {GROUPS.map((group) => (
          <div key={group.id} className="sum-group">
            <h2>
              <CrockDrawing {...group.drawn} label="" />
              {group.title}
            </h2>
            {SUMS.filter((s) => s.group === group.id).map((s) => (
              <NavLink
                key={s.name}
                to={`/sums/${s.name}${query}`}
                aria-current={s.name === name ? 'page' : undefined}
              >
                {s.title}
              </NavLink>
            ))}
          </div>
        ))}
      </nav>
      <div>
        <div className="make-head">
          <h1>{sum?.title ?? 'Tools'}</h1>
          <span className="quiet">{sum?.asks}</span>
          {desk.askedBy !== 'nobody' && (
            <Link className="to-the-end" to={desk.askedBy === 'new' ? '/new?draft=1' : `/makes/${asked}`}>
              Back to {desk.forWhom}
            </Link>
          )}
        </div>
        {!sum ? (
          <p>That tool does not exist. Choose one from the list.</p>
        ) : waiting ? (
          <p className="quiet">Opening …</p>
        ) : (
          <sum.Face key={`${sum.name} ${asked}`} desk={desk} />
        )}
      </div>
    </div>
  );
}
