import { expect, test } from '@jest/globals';
import Fastify from 'fastify';
import { tmpdir } from 'node:os';
import { diskPlugin, watchDisk } from './disk.ts';
import { errorsPlugin } from './errors.ts';

test('a full disk refuses writing, goes on reading, and takes entries again once there is room', async () => {
  let room = false;
  const app = Fastify();
  await app.register(errorsPlugin);
  await app.register(diskPlugin, { disk: () => Promise.resolve(room) });
  app.get('/', () => 'read');
  app.post('/', () => 'stored');
  expect((await app.inject('/')).body).toBe('read');
  const refused = await app.inject({ method: 'POST', url: '/' });
  expect(refused.statusCode).toBe(507);
  expect(refused.json()).toMatchObject({ code: 'disk-full' });
  room = true;
  expect((await app.inject({ method: 'POST', url: '/' })).body).toBe('stored');
  await app.close();
});

test('a disk with room refuses nothing, nor does one that cannot be asked', async () => {
  expect(await watchDisk(tmpdir(), () => 0)()).toBe(true);
  expect(await watchDisk('/no/such/folder', () => 0)()).toBe(true);
});
