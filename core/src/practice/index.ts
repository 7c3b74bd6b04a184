export * from './practice-id.ts';
export * from './world.ts';
export * from './walk.ts';
export * from './instruments.ts';
export * from './outcome.ts';
export * from './lesson.ts';
export * from './lessons.ts';
export * from './exercise.ts';
export {
  handOf,
  IDLE,
  PERFECT,
  played,
  playing,
  powderIn,
  type Act,
  type Play,
  type Player,
} from './players.ts';
export * from './score.ts';
export type { Aim, FigureUnit } from './aims.ts';
