import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { defaultKitchen, duplicated, planOfMethod, SHIPPED_METHODS, MINUTE_MS } from '@morning-crock/core';
import {
  MOST_PHOTO_BYTES,
  type DraftEvent,
  type KeptMethod,
  type Lot,
  type Method,
  type MilkRoomResponse,
} from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { createTestKitchen, draft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START + 6000 * MINUTE_MS });
});
afterAll(() => kitchen.close());

const shipped = (id: string): Method => SHIPPED_METHODS.find((m) => m.id === id)!;
const send = (...events: readonly DraftEvent[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const methods = async (): Promise<KeptMethod[]> =>
  (await kitchen.app.inject('/api/methods')).json<{ methods: KeptMethod[] }>().methods;

describe('methods', () => {
  test('are kept with every version; what is no method is refused with its field and changes nothing', async () => {
    const id = ulid();
    const first = duplicated(shipped('skyr'), id, 'Ours');
    const save = (method: unknown, stream = id) =>
      send(draft(stream, START, 'method-changed', { kind: 'saved', method } as never));
    expect((await save(first)).statusCode).toBe(200);
    expect((await save({ ...first, version: 2, name: 'Ours, anew' })).statusCode).toBe(200);
    const [kept] = await methods();
    expect(kept!.versions.map((v) => [v.method.version, v.method.name])).toEqual([
      [2, 'Ours, anew'],
      [1, 'Ours'],
    ]);
    for (const [bad, words] of [
      [{ ...first, steps: [] }, 'has no steps'],
      [{ ...first, steps: [{ id: 'press', kind: 'press' }] }, 'weightKg'],
      [{ ...first, product: 'plutonium' }, 'product'],
      [
        {
          ...first,
          steps: first.steps.map((s) => (s.kind === 'add-rennet' ? { ...s, imcuPerLitre: 4000 } : s)),
        },
        'is too much (300 IMCU',
      ],
    ] as const) {
      const answer = await save(bad);
      expect(answer.statusCode).toBe(400);
      expect(answer.body).toContain(words);
    }
    const foreign = await save(first, ulid());
    expect(foreign.statusCode).toBe(400);
    expect(foreign.body).toContain('must be the ID of its stream');
    expect((await methods())[0]!.versions).toHaveLength(2);
  });

  test('a make keeps the method it was begun with, whatever becomes of it', async () => {
    const id = ulid();
    const own = duplicated(shipped('yogurt-strained'), id, 'Thick');
    await send(draft(id, START, 'method-changed', { kind: 'saved', method: own }));
    const makeId = ulid();
    const plan = planOfMethod(own, defaultKitchen('UTC'), new Date(START).toISOString(), 2);
    expect((await send(draft(makeId, START, 'make-started', { plan }))).statusCode).toBe(200);
    await send(draft(id, START + MINUTE_MS, 'method-changed', { kind: 'dropped' }));
    expect((await methods()).find((m) => m.id === id)!.dropped).toBe(true);
    const { makes } = (await kitchen.app.inject('/api/makes')).json<{
      makes: { id: string; methodId: string }[];
    }>();
    expect(makes.find((m) => m.id === makeId)!.methodId).toBe(id);
  });

  test('whey that was weighed is stock, weighed again it is set right, and what is discarded is gone', async () => {
    const makeId = ulid();
    const plan = planOfMethod(shipped('skyr'), defaultKitchen('UTC'), new Date(START).toISOString(), 2);
    const say = (minute: number, type: 'drain-weighed' | 'finished', data: never) =>
      send(draft(makeId, START + minute * MINUTE_MS, type, data));
    const whey = async (): Promise<Lot[]> =>
      (await kitchen.app.inject('/api/milk')).json<MilkRoomResponse>().lots.filter((l) => l.role === 'whey');
    await send(draft(makeId, START, 'make-started', { plan }));
    const typed = { value: 700, unit: 'g' } as const;
    await say(900, 'drain-weighed', { step: 'strain', massKg: 0.7, of: 'whey', typed } as never);
    await say(930, 'drain-weighed', { step: 'strain', massKg: 1.1, of: 'whey', typed } as never);
    expect((await whey()).map((l) => [l.name, l.soured, l.has.massKg])).toEqual([['Acid whey', true, 1.1]]);
    await say(1000, 'finished', { verdict: 'discarded', reason: 'forgot it' } as never);
    expect(await whey()).toEqual([]);
  });
});

/** The bones of a JPEG picture, some bytes heavy. */
const picture = (widthPx = 640, heightPx = 480, heavy = 400): Buffer =>
  Buffer.from([
    ...[0xff, 0xd8, 0xff, 0xc0, 0, 8, 8, heightPx >> 8, heightPx & 255, widthPx >> 8, widthPx & 255, 1],
    ...[0xff, 0xda, 0, 2],
    ...new Array<number>(heavy).fill(7),
    ...[0xff, 0xd9],
  ]);

describe('pictures', () => {
  let makeId: string;
  beforeEach(async () => {
    makeId = ulid();
    const plan = planOfMethod(shipped('skyr'), defaultKitchen('UTC'), new Date(START).toISOString(), 2);
    await send(draft(makeId, START, 'make-started', { plan }));
  });
  const post = (body: object, id = makeId) =>
    kitchen.app.inject({
      method: 'POST',
      url: `/api/makes/${id}/photos`,
      payload: {
        photoId: ulid(),
        step: 'strain',
        deviceId: 'tablet',
        at: new Date(START + 60 * MINUTE_MS).toISOString(),
        jpeg: picture().toString('base64'),
        ...body,
      },
    });

  test('one is stored with its entry, shown as what it is, and stands beside the next make’s question', async () => {
    const photoId = ulid();
    expect((await post({ photoId })).statusCode).toBe(200);
    // Sent twice, it is there once.
    expect((await post({ photoId })).statusCode).toBe(200);
    const shown = await kitchen.app.inject(`/api/photos/${photoId}`);
    expect(shown.headers['content-type']).toBe('image/jpeg');
    expect(shown.headers['x-content-type-options']).toBe('nosniff');
    expect(shown.rawPayload.equals(picture())).toBe(true);
    expect(await kitchen.count('event', "type = 'photographed' AND id = ?", [photoId])).toBe(1);
    const earlier = (not: string) =>
      kitchen.app
        .inject(`/api/photos?product=skyr&step=strain&not=${not}`)
        .then((r) => r.json<{ photos: { photoId: string }[] }>());
    expect((await earlier(ulid())).photos.map((p) => p.photoId)).toContain(photoId);
    expect((await earlier(makeId)).photos.map((p) => p.photoId)).not.toContain(photoId);
    await send(draft(makeId, START + 90 * MINUTE_MS, 'voided', { target: photoId }));
    expect((await earlier(ulid())).photos.map((p) => p.photoId)).not.toContain(photoId);
  });

  test.each([
    [
      'a script',
      { jpeg: Buffer.from('<script>alert(1)</script>'.repeat(9)).toString('base64') },
      'not a JPEG',
    ],
    ['no base64', { jpeg: 'not a picture!' }, 'not a picture'],
    ['larger than a screen', { jpeg: picture(4000, 3000).toString('base64') }, '1024 pixels'],
    [
      'too heavy',
      { jpeg: picture(640, 480, MOST_PHOTO_BYTES).toString('base64') },
      'too large for a picture',
    ],
  ])('%s is refused in words and nothing is stored', async (_what, body, words) => {
    const before = await kitchen.count('event');
    const answer = await post(body);
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain(words);
    expect(await kitchen.count('event')).toBe(before);
  });

  test('forty megabytes are not even read; a make or step that is not there is not found', async () => {
    expect((await post({ jpeg: 'A'.repeat(40_000_000) })).statusCode).toBe(413);
    expect((await post({}, ulid())).statusCode).toBe(404);
    expect((await post({ step: 'churn' })).statusCode).toBe(404);
    const bare = await send(
      draft(makeId, START, 'photographed', {
        photoId: ulid(),
        step: 'strain',
        stepKind: 'strain',
        product: 'skyr',
        widthPx: 10,
        heightPx: 10,
        bytes: 500,
      }),
    );
    expect(bare.statusCode).toBe(400);
    expect(bare.body).toContain('send a picture with its entry');
  });

  test('goes out with the back-up and comes into an empty kitchen again; a broken one changes nothing', async () => {
    const photoId = ulid();
    await post({ photoId });
    const file = (await kitchen.app.inject('/api/backup')).json<{
      photos: { photoId: string; jpeg: string }[];
    }>();
    expect(file.photos.map((p) => p.photoId)).toContain(photoId);
    const fresh = await createTestKitchen({ startMs: START + 6000 * MINUTE_MS });
    const restore = (body: object) =>
      fresh.app.inject({
        method: 'POST',
        url: '/api/restore',
        headers: { 'content-type': 'application/json' },
        payload: JSON.stringify(body),
      });
    const broken = {
      ...file,
      photos: file.photos.map((p) => ({ ...p, jpeg: Buffer.from('no'.repeat(99)).toString('base64') })),
    };
    expect((await restore(broken)).statusCode).toBe(400);
    expect(await fresh.count('event')).toBe(0);
    expect((await restore(file)).statusCode).toBe(200);
    const back = await fresh.app.inject(`/api/photos/${photoId}`);
    expect(back.rawPayload.equals(picture())).toBe(true);
    await fresh.close();
  });
});
