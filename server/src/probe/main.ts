import { createRandom, foldMake, hashSeed, interpolateLinear, pointForecast } from '@morning-crock/core';
import { eventsResponse, makesResponse } from '@morning-crock/core/contract';
import * as z from 'zod';

/**
 * A stand-in for a temperature logger: a process of its own that knows nothing but the documented HTTP API. What it
 * measures is the milk as the heat balance has it, a little off, with noise.
 */
const env = z
  .object({ MC_ADDRESS: z.url(), MC_EVERY_S: z.coerce.number().min(1).default(15) })
  .parse(process.env);
const DEVICE = 'Probe stand-in';
const NOISE_C = 0.12;
const random = createRandom(hashSeed(`probe ${process.pid}`));

async function read<T>(path: string, schema: z.ZodType<T>): Promise<T> {
  const answer = await fetch(`${env.MC_ADDRESS}${path}`);
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
  return schema.parse(await answer.json());
}

async function measure(): Promise<void> {
  const { makes } = await read('/api/makes?status=under-way', makesResponse);
  for (const { id } of makes) {
    const { events, now } = await read(`/api/makes/${id}`, eventsResponse);
    // Its own earlier readings must not feed back into what it measures.
    const state = foldMake(
      id,
      events.filter((e) => !(e.type === 'temperature-read' && e.data.instrument === DEVICE)),
    );
    if (!state?.current || !state.current.step.facts.probed) continue;
    const nowMs = Date.parse(now);
    const { temperature } = pointForecast(state, nowMs);
    const trueC = interpolateLinear(
      temperature.map(([ms]) => ms),
      temperature.map(([, c]) => c),
      nowMs,
    );
    const off = createRandom(hashSeed(id)).normal() * 0.6;
    const celsius = Math.round((trueC + off + NOISE_C * random.normal()) * 10) / 10;
    await fetch(`${env.MC_ADDRESS}/api/makes/${id}/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ device: DEVICE, celsius }),
    });
  }
}

for (;;) {
  // The kitchen may be away for a while; a logger simply tries again.
  await measure().catch(() => undefined);
  await new Promise((resolve) => setTimeout(resolve, env.MC_EVERY_S * 1000));
}
