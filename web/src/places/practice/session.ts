import {
  eventsOf,
  exerciseOf,
  foldMake,
  momentAt,
  practiceId,
  handOf,
  HOUR_MS,
  MINUTE_MS,
  workOf,
  type Act,
  type Exercise,
  type LoggedEvent,
  type MakeState,
  type Moment,
  type Said,
} from '@morning-crock/core';
import type { PracticeFile, PracticeHand, PracticeSubject } from '@morning-crock/core/contract';
import type { OwnClock } from '../../data/clock.ts';
import { requestPractice } from '../../workers/kitchen-client.ts';

/** A batch of a practice as it stands. */
export interface PractisedBatch {
  readonly id: string;
  readonly hands: readonly PracticeHand[];
  readonly events: readonly LoggedEvent[];
  readonly state: MakeState;
  /** As it truly goes on; empty until the worker has walked it. */
  readonly moments: readonly Moment[];
}

/** A practice as the page shows it; another one with every hand. */
export interface SessionState {
  readonly batches: readonly PractisedBatch[];
  readonly speed: number;
  /** Why the clock stopped by itself; empty when it did not. */
  readonly stopped: string;
  readonly backs: number;
  readonly asked: number;
  readonly over: boolean;
  readonly failed: boolean;
}

/** One wash. */
const RINSE_MS = 3 * MINUTE_MS;
/** Told to who listens at most so often, real ms: what moves with the clock. */
const TELL_MS = 250;

/**
 * One practice: its worlds, what hands did in them, and its clock. What is drawn at every frame asks it for the moment; all else is
 * told when a hand changes something.
 */
export class Session implements OwnClock {
  readonly subject: PracticeSubject;
  readonly seed: number;
  readonly startMs: number;
  readonly exercise: Exercise;
  /** It was played before, and only looked at again. */
  readonly opened: boolean;
  private ms: number;
  private state: SessionState;
  private readonly heard = new Set<() => void>();
  private readonly ticked = new Set<() => void>();
  private frame = 0;
  private lastFrameMs = 0;
  private lastTellMs = 0;
  /** What called the clock to a stop already. */
  private readonly called = new Set<string>();
  /** Asked at every telling: why the clock should stop now, and what that is called. */
  watch: ((session: Session) => { readonly id: string; readonly words: string } | null) | null = null;

  constructor(subject: PracticeSubject, seed: number, startMs: number, from?: PracticeFile) {
    this.subject = subject;
    this.seed = seed;
    this.startMs = startMs;
    this.exercise = exerciseOf(subject, seed, startMs);
    this.opened = from !== undefined;
    this.ms = startMs + (from?.untilMs ?? 0);
    this.state = {
      batches: this.exercise.batches.map((_, no) => this.batch(no, from?.hands[no] ?? [], [])),
      speed: 0,
      stopped: '',
      backs: from?.backs ?? 0,
      asked: from?.asked ?? 0,
      over: this.opened,
      failed: false,
    };
    this.state.batches.forEach((_, no) => void this.walk(no));
  }

  private batch(no: number, hands: readonly PracticeHand[], moments: readonly Moment[]): PractisedBatch {
    const id = practiceId(no + 1);
    const { world } = this.exercise.batches[no]!;
    const events = eventsOf(world, hands, id);
    return { id, hands, events, state: foldMake(id, events)!, moments };
  }

  /** The latest asked of each batch: an older answer is not taken. */
  private readonly turn: number[] = [];
  private async walk(no: number): Promise<void> {
    const mine = (this.turn[no] ?? 0) + 1;
    this.turn[no] = mine;
    try {
      const moments = await requestPractice(this.soFar(), no, this.ms + HOUR_MS);
      if (this.turn[no] !== mine) return;
      this.put(no, { ...this.state.batches[no]!, moments });
    } catch {
      if (this.turn[no] === mine) this.change({ failed: true, speed: 0 });
    }
  }

  private put(no: number, batch: PractisedBatch): void {
    this.change({ batches: this.state.batches.map((own, i) => (i === no ? batch : own)) });
  }
  private change(part: Partial<SessionState>): void {
    this.state = { ...this.state, ...part };
    for (const told of this.heard) told();
    for (const told of this.ticked) told();
  }

  readonly listen = (told: () => void): (() => void) => {
    this.heard.add(told);
    return () => this.heard.delete(told);
  };
  readonly current = (): SessionState => this.state;
  /** What the worker is asked with. */
  soFar() {
    return {
      subject: this.subject,
      seed: this.seed,
      startMs: this.startMs,
      hands: this.state.batches.map(({ hands }) => hands),
    };
  }

  now(): number {
    return this.ms;
  }
  follow(told: () => void): () => void {
    this.ticked.add(told);
    return () => this.ticked.delete(told);
  }

  /** How a batch truly is now; `null` until it was walked. */
  moment(no: number): Moment | null {
    const { moments } = this.state.batches[no]!;
    return moments.length === 0 ? null : momentAt({ moments }, this.ms);
  }

  /** Lets the clock go so many times as fast as a real one; 0 stops it. */
  goAt(speed: number): void {
    if (this.state.over) return;
    this.change({ speed, stopped: '' });
    cancelAnimationFrame(this.frame);
    if (speed === 0) return;
    this.lastFrameMs = performance.now();
    this.frame = requestAnimationFrame(this.step);
  }
  /** It stops by itself, once for each reason. */
  stopFor(id: string, words: string): void {
    if (this.called.has(id)) return;
    this.called.add(id);
    cancelAnimationFrame(this.frame);
    this.change({ speed: 0, stopped: words });
  }

  private readonly step = (atMs: number): void => {
    const { speed } = this.state;
    if (speed === 0) return;
    // A tablet that was looked away from does not run on.
    const passedMs = Math.min(100, Math.max(0, atMs - this.lastFrameMs));
    this.lastFrameMs = atMs;
    const limitMs = this.startMs + this.exercise.limitH * HOUR_MS;
    const known = Math.min(...this.state.batches.map(({ moments }) => moments.at(-1)?.atMs ?? this.ms));
    // Whole milliseconds, as hands and files say them: part of one more would be a step of the walk more.
    const next = Math.min(Math.round(this.ms + passedMs * speed), known, limitMs);
    const waiting = next === this.ms && known < limitMs;
    this.ms = next;
    if (this.ms >= limitMs) {
      this.end();
      return;
    }
    if (waiting || known - this.ms < 2 * HOUR_MS) this.state.batches.forEach((_, no) => void this.more(no));
    if (atMs - this.lastTellMs >= TELL_MS) {
      this.lastTellMs = atMs;
      for (const told of this.ticked) told();
      const stop = this.watch?.(this);
      if (stop && !this.called.has(stop.id)) {
        this.stopFor(stop.id, stop.words);
        return;
      }
    }
    this.frame = requestAnimationFrame(this.step);
  };

  private readonly asking = new Set<number>();
  /** Looks further ahead, once at a time. */
  private async more(no: number): Promise<void> {
    if (this.asking.has(no)) return;
    this.asking.add(no);
    const before = this.turn[no];
    try {
      const moments = await requestPractice(this.soFar(), no, this.ms + 24 * HOUR_MS);
      if (this.turn[no] === before) this.put(no, { ...this.state.batches[no]!, moments });
    } catch {
      this.change({ failed: true, speed: 0 });
    } finally {
      this.asking.delete(no);
    }
  }

  /** What hands take of the clock before something is told. */
  private takesMs(no: number, acts: readonly Act[]): number {
    const { current } = this.state.batches[no]!.state;
    if (!current) return 0;
    return acts.reduce((ms, act) => {
      if (act.kind !== 'say') return ms;
      if (act.said.type === 'rinsed') return ms + RINSE_MS;
      const byHand =
        act.said.type === 'step-done' && !current.step.facts.waits && workOf(current.step.kind) === 'hands';
      return byHand ? ms + current.step.handsMin * MINUTE_MS : ms;
    }, 0);
  }

  /** Hands do something to a batch, now. @returns the identity of what was told */
  does(no: number, ...acts: readonly Act[]): string {
    if (this.state.over) return '';
    this.ms = Math.min(this.ms + this.takesMs(no, acts), this.startMs + this.exercise.limitH * HOUR_MS);
    const { hands, moments } = this.state.batches[no]!;
    const fresh = acts.map((act, i) => handOf(act, this.ms, this.startMs, hands.length + i, no + 1));
    this.put(no, this.batch(no, [...hands, ...fresh], moments));
    void this.walk(no);
    const last = fresh.at(-1);
    return last?.kind === 'told' ? last.event.id : '';
  }
  says(no: number, said: Said): string {
    return this.does(no, { kind: 'say', said });
  }

  /** Back to just before the latest hand of a batch; the clock with it. */
  stepBack(no: number): void {
    const { hands } = this.state.batches[no]!;
    const last = hands.at(-1);
    if (!last || this.state.over) return;
    const kept = hands.filter(({ atMs }) => atMs < last.atMs);
    this.ms = this.startMs + last.atMs;
    this.called.clear();
    cancelAnimationFrame(this.frame);
    // What another batch saw after that moment has not happened either.
    this.change({
      speed: 0,
      stopped: '',
      backs: this.state.backs + 1,
      batches: this.state.batches.map((batch, i) =>
        this.batch(i, i === no ? kept : batch.hands.filter(({ atMs }) => atMs <= last.atMs), batch.moments),
      ),
    });
    this.state.batches.forEach((_, i) => void this.walk(i));
  }

  asks(): void {
    this.change({ asked: this.state.asked + 1 });
  }

  end(): void {
    cancelAnimationFrame(this.frame);
    this.change({ over: true, speed: 0, stopped: '' });
  }
  /** Whether every batch came to the step it ends with. */
  ended(): boolean {
    return this.state.batches.every(({ state }, no) => {
      const { ends } = this.exercise.batches[no]!;
      const last = state.steps.find(({ step }) => step.id === ends) ?? state.steps.at(-1)!;
      return last.endedAtMs !== null;
    });
  }
  leave(): void {
    cancelAnimationFrame(this.frame);
    this.watch = null;
  }

  /** The practice as a file of its own. */
  file(): PracticeFile {
    const { batches, backs, asked } = this.state;
    return {
      format: 'morning-crock-practice',
      version: 1,
      notice: 'A practice on a simulated crock. Nothing of it was made.',
      subject: this.subject,
      seed: this.seed,
      startMs: this.startMs,
      hands: batches.map(({ hands }) => [...hands]),
      backs,
      asked,
      untilMs: this.ms - this.startMs,
    };
  }
}
