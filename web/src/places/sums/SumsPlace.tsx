import '../../parts/form-styles.ts';
import type { ComponentType } from 'react';
import { Link, NavLink, useParams, useSearchParams } from 'react-router';
import { useKitchenQuery } from '../../data/api.ts';
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

interface Sum {
  readonly name: string;
  readonly title: string;
  readonly asks: string;
  readonly Face: ComponentType<{ readonly desk: SumDesk }>;
}

/** One entry an instrument. */
const SUMS: readonly Sum[] = [
  { name: 'cool-down', title: 'Cool-down', asks: 'When is the pot at inoculating heat?', Face: CoolDown },
  { name: 'ice-bath', title: 'Ice bath', asks: 'How much ice, how many minutes?', Face: IceBath },
  { name: 'set-time', title: 'Set time', asks: 'When does it set at this heat?', Face: SetTime },
  { name: 'dose', title: 'Dose', asks: 'How much starter for a wanted time?', Face: DoseSum },
  { name: 'powder', title: 'Powder and mix', asks: 'Two milks, and powder: how thick?', Face: PowderMix },
  { name: 'warm-box', title: 'Warm box', asks: 'How many hot bottles?', Face: BoxSum },
  { name: 'skim', title: 'Skim', asks: 'How much cream after some hours?', Face: SkimSum },
  {
    name: 'standardise',
    title: 'Standardise',
    asks: 'Two milks to a fat: how much of each?',
    Face: StandardiseSum,
  },
  { name: 'churn', title: 'Churning', asks: 'When does the cream break?', Face: ChurnSum },
  { name: 'bought', title: 'Bought cream', asks: 'Does it pay as butter?', Face: BoughtSum },
  { name: 'drain', title: 'Drain', asks: 'When is it thick enough?', Face: DrainSum },
  { name: 'rennet', title: 'Rennet', asks: 'How much, and when to try?', Face: RennetSum },
  { name: 'cheese', title: 'Cheese', asks: 'Yield, press, brine, hot water?', Face: CheeseSum },
  { name: 'vigour', title: 'Dose like fresh', asks: 'How much of an old culture?', Face: VigourSum },
  { name: 'thaw', title: 'Thaw', asks: 'When is it liquid?', Face: ThawSum },
  { name: 'lactation', title: 'Lactation', asks: 'How much milk in some weeks?', Face: LactationSum },
  { name: 'thermometer', title: 'Thermometer', asks: 'Is it telling the truth?', Face: ThermometerSum },
  { name: 'pasteurise', title: 'Heat treatment', asks: 'Is that hold enough?', Face: PasteuriseSum },
];

/** Small instruments that compute while they are turned. */
export function SumsPlace() {
  const { name = 'cool-down' } = useParams();
  const [search] = useSearchParams();
  const { data } = useKitchenQuery();
  const desk = useSumDesk();
  const sum = SUMS.find((s) => s.name === name);
  const query = search.size > 0 ? `?${search.toString()}` : '';
  const asked = search.get('for');
  const waiting = !data || (asked !== null && asked !== 'new' && desk.askedBy === 'nobody');
  return (
    <div className="sums">
      <nav aria-label="Sums" className="sum-names">
        {SUMS.map((s) => (
          <NavLink
            key={s.name}
            to={`/sums/${s.name}${query}`}
            aria-current={s.name === name ? 'page' : undefined}
          >
            {s.title}
          </NavLink>
        ))}
      </nav>
      <div>
        <div className="make-head">
          <h1>{sum?.title ?? 'Sums'}</h1>
          <span className="quiet">{sum?.asks}</span>
          {desk.askedBy !== 'nobody' && (
            <Link className="to-the-end" to={desk.askedBy === 'new' ? '/new?draft=1' : `/makes/${asked}`}>
              Back to {desk.forWhom}
            </Link>
          )}
        </div>
        {!sum ? (
          <p>There is no such sum. Choose one of the names.</p>
        ) : waiting ? (
          <p className="quiet">Opening …</p>
        ) : (
          <sum.Face key={`${sum.name} ${asked}`} desk={desk} />
        )}
      </div>
    </div>
  );
}
