import type { Jar, MakePlan } from '../contract/index.ts';
import { batchOf } from './batch.ts';

/** Empty share of a jar that a lid and a tilt want [F: kitchen practice]. */
export const USUAL_HEADSPACE = 0.08;

/** One jar as it is filled. */
export interface FilledJar extends Jar {
  readonly filledLitres: number;
}

export interface JarFill {
  readonly jars: readonly FilledJar[];
  /** Milk that no jar takes. */
  readonly leftOverLitres: number;
  /** Room still free under the headspace. */
  readonly freeLitres: number;
}

/** Fills the jars of a plan one after another, each up to its headspace. */
export function fillJars(plan: MakePlan): JarFill {
  const headspace = plan.headspace ?? USUAL_HEADSPACE;
  let left = batchOf(plan).litres + (plan.starter.massKg ?? 0) / 1.03;
  let freeLitres = 0;
  const jars = (plan.jars ?? []).map((jar): FilledJar => {
    const holds = jar.litres * (1 - headspace);
    const filledLitres = Math.min(holds, left);
    left -= filledLitres;
    freeLitres += holds - filledLitres;
    return { ...jar, filledLitres };
  });
  return { jars, leftOverLitres: left, freeLitres };
}
