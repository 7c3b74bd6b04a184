export { clashWords } from './clash-words.ts';
export { dayCooks, dayMakeOf, dayProblem, type AskedMake } from './from-makes.ts';
export type { DayCook, DayMake, DayProblem, DaySlot, DayTask, Timetable } from './problem.ts';
export { solveDay, solvingDay, type DayClash, type DaySolution } from './solve.ts';
