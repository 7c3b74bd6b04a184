import { BUTTER_LESSONS } from './butter-lessons.ts';
import { LAST_LESSONS } from './curd-lessons.ts';
import type { PracticeLesson } from './lesson.ts';
import { MILK_LESSONS } from './milk-lessons.ts';

/** In order: each stands on those before it. */
export const LESSONS: readonly PracticeLesson[] = [...MILK_LESSONS, ...BUTTER_LESSONS, ...LAST_LESSONS];

/** @returns `null` for a lesson there is not. */
export const practiceLesson = (id: string): PracticeLesson | null =>
  LESSONS.find((lesson) => lesson.id === id) ?? null;
