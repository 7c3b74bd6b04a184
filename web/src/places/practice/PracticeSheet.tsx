import { LESSONS, exerciseOf, practiceLesson } from '@morning-crock/core';
import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { toString } from 'qrcode';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import '../../parts/fields/form-styles.ts';
import '../../parts/print/paper.css';
import { now } from '../../data/clock.ts';
import { useKitchenAddress } from '../../data/kitchen-address.ts';
import { useUnits } from '../../data/use-units.ts';
import { inDegrees, practiceAddress } from './practice-words.ts';
import './practice.css';

/** Rows to write what was measured and done. */
const ROWS = 9;

/** A sheet for a class: the lesson, its goals, the world everybody gets, and room to write. */
export function PracticeSheet() {
  const units = useUnits();
  const kitchen = useKitchenAddress();
  const [id, setId] = useState(LESSONS[0]!.id);
  const [seed, setSeed] = useState(7);
  const [picture, setPicture] = useState('');
  const lesson = practiceLesson(id) ?? LESSONS[0]!;
  const address = practiceAddress({ kind: 'lesson', lesson: lesson.id }, seed);
  useEffect(() => {
    let wanted = true;
    void toString(`${kitchen}${address}`, { type: 'svg', margin: 1 }).then((svg) => {
      if (wanted) setPicture(`data:image/svg+xml,${encodeURIComponent(svg)}`);
    });
    return () => {
      wanted = false;
    };
  }, [kitchen, address]);
  const exercise = exerciseOf({ kind: 'lesson', lesson: lesson.id }, seed, Math.round(now()));
  return (
    <div className="practice">
      <div className="no-print">
        <h1>Class sheet</h1>
        <div className="field-row">
          <NativeSelect
            label="Lesson"
            data={LESSONS.map((one) => ({ value: one.id, label: one.title }))}
            value={lesson.id}
            onChange={(event) => setId(event.currentTarget.value)}
          />
          <NumberInput
            label="World number"
            value={seed}
            min={0}
            max={4_294_967_295}
            allowDecimal={false}
            hideControls
            onChange={(value) =>
              typeof value === 'number' && Number.isInteger(value) && value >= 0 && setSeed(value)
            }
          />
          <Button mt="auto" onClick={() => window.print()}>
            Print sheet
          </Button>
          <Link to="/practice">All lessons</Link>
        </div>
      </div>
      <article className="paper practice-sheet" aria-label="Class sheet">
        <header>
          <div>
            <h2>{lesson.title}</h2>
            <p>{inDegrees(lesson.idea, units)}</p>
          </div>
          {picture !== '' && (
            <img src={picture} width={120} height={120} alt={`Code that opens ${address}`} />
          )}
        </header>
        <p className="practice-sheet-who">
          <span>Name</span>
          <span>Date</span>
        </p>
        <h3>What to do</h3>
        <p>{inDegrees(lesson.task, units)}</p>
        <h3>Goals</h3>
        <ul>
          {exercise.batches.flatMap(({ aims }) =>
            aims.map((aim) => <li key={aim.id}>{inDegrees(aim.words, units)}</li>),
          )}
        </ul>
        <p>
          Scan the code, or open{' '}
          <span className="number">
            {kitchen}
            {address}
          </span>
          . It is world number <span className="number">{seed}</span> for everybody, with the same hidden
          trouble.
        </p>
        <table>
          <thead>
            <tr>
              <th scope="col">Time</th>
              <th scope="col">What I saw or measured</th>
              <th scope="col">What I did, and why</th>
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: ROWS }, (_, i) => (
              <tr key={i}>
                <td>&nbsp;</td>
                <td />
                <td />
              </tr>
            ))}
          </tbody>
        </table>
        <h3>What cost me most</h3>
        <p className="practice-sheet-line" />
        <h3>What I will do with real milk</h3>
        <p className="practice-sheet-line" />
      </article>
    </div>
  );
}
