import { LESSONS, type PracticeLesson } from '@morning-crock/core';
import { practiceFile } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { JsonFile } from '../../parts/print/JsonFile.tsx';
import { FreePractice } from './FreePractice.tsx';
import { inDegrees, practiceAddress } from './practice-words.ts';
import { forgetProgress, progressHere, type LessonProgress } from './progress.ts';
import { anyNumber } from './use-session.ts';
import './practice.css';

function stands(progress: LessonProgress | undefined): string {
  if (!progress) return 'Not tried yet';
  const tries = progress.tries === 1 ? '1 try' : `${progress.tries} tries`;
  return progress.won > 0 ? `Reached, ${tries}` : `Not reached yet, ${tries}`;
}

function LessonRow({
  lesson,
  no,
  progress,
}: {
  readonly lesson: PracticeLesson;
  readonly no: number;
  readonly progress: LessonProgress | undefined;
}) {
  const units = useUnits();
  return (
    <li className={progress && progress.won > 0 ? 'lesson won' : 'lesson'}>
      <span className="lesson-no number" aria-hidden="true">
        {no}
      </span>
      <div className="grows">
        <Link
          to={practiceAddress({ kind: 'lesson', lesson: lesson.id }, anyNumber())}
          className="lesson-title"
        >
          {lesson.title}
        </Link>
        <p>{inDegrees(lesson.idea, units)}</p>
      </div>
      <div className="lesson-side">
        <span>{lesson.about}</span>
        <span className="quiet">about {lesson.minutes} min</span>
        <span className="quiet">{stands(progress)}</span>
      </div>
    </li>
  );
}

/** What is wrong with a file, at the first place that is not as it should be. */
function wrongFile([issue]: readonly {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}[]): string {
  const where =
    issue && issue.path.length > 0 ? ` (${issue.path.map(String).join('.')}: ${issue.message})` : '';
  return `This file is not a practice of Morning Crock${where}. Nothing was changed. Choose a file made with Download practice.`;
}

/** Practice: lessons in order, free practice, and practices that were kept. */
export function PracticePlace() {
  const navigate = useNavigate();
  const [progress, setProgress] = useState(progressHere);
  const next = LESSONS.find(({ id }) => !(progress[id] && progress[id].won > 0));
  return (
    <div className="practice">
      <h1>Practice</h1>
      <p className="reading below-m">
        Learn it before the milk is at stake. The crock is simulated and its clock runs fast. The screens are
        those of a real batch. Nothing of it enters your records.
      </p>
      {next && (
        <Button
          className="great below-m"
          h={72}
          component={Link}
          to={practiceAddress({ kind: 'lesson', lesson: next.id }, anyNumber())}
        >
          {Object.keys(progress).length === 0 ? 'Start the first lesson' : `Go on: ${next.title}`}
        </Button>
      )}
      <section aria-labelledby="lessons" className="section">
        <h2 id="lessons">Lessons</h2>
        <ol className="bare lessons">
          {LESSONS.map((lesson, i) => (
            <LessonRow key={lesson.id} lesson={lesson} no={i + 1} progress={progress[lesson.id]} />
          ))}
        </ol>
      </section>
      <FreePractice />
      <section aria-labelledby="kept-practice" className="section">
        <h2 id="kept-practice">Classes and files</h2>
        <JsonFile
          label="Open practice file"
          what="practice"
          loading={false}
          take={async (content) => {
            const read = practiceFile.safeParse(content);
            if (!read.success) return { fault: wrongFile(read.error.issues) };
            await navigate(practiceAddress(read.data.subject, read.data.seed), {
              state: { practice: read.data },
            });
            return '';
          }}
          beside={
            <Button component={Link} to="/practice/sheet" variant="default">
              Print class sheet
            </Button>
          }
        />
        {Object.keys(progress).length > 0 && (
          <Button
            variant="subtle"
            onClick={() => {
              forgetProgress();
              setProgress({});
            }}
          >
            Forget my progress on this device
          </Button>
        )}
      </section>
    </div>
  );
}
