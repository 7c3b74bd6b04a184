import { TASKS, type Input, type Output, type TaskName } from './tasks.ts';

/** What a thread of the pool does with what it is sent. */
export default function work<T extends TaskName>(job: {
  readonly task: T;
  readonly input: Input<T>;
}): Output<T> {
  const task = TASKS[job.task] as (input: Input<T>) => Output<T>;
  return task(job.input);
}
