import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { jpegSize } from './index.ts';

/** The bones of a JPEG: a frame header, a scan, an end. */
const bones = (widthPx: number, heightPx: number, frame = 0xc0): Uint8Array =>
  Uint8Array.from([
    0xff,
    0xd8,
    0xff,
    0xe0,
    0,
    4,
    1,
    2,
    0xff,
    frame,
    0,
    8,
    8,
    heightPx >> 8,
    heightPx & 255,
    widthPx >> 8,
    widthPx & 255,
    1,
    0xff,
    0xda,
    0,
    2,
    9,
    9,
    9,
    0xff,
    0xd9,
  ]);

test('says how large a picture is, whichever way it is packed', () => {
  expect(jpegSize(bones(1024, 768))).toEqual({ widthPx: 1024, heightPx: 768 });
  expect(jpegSize(bones(300, 40, 0xc2))).toEqual({ widthPx: 300, heightPx: 40 });
});

test('what only calls itself a picture is none', () => {
  expect(jpegSize(new TextEncoder().encode('<script>alert("not a picture")</script>'))).toBeNull();
  expect(jpegSize(bones(10, 10).slice(0, -2))).toBeNull();
  const script = Uint8Array.from([0xff, 0xd8, ...new TextEncoder().encode('<script>1</script>'), 0xff, 0xd9]);
  expect(jpegSize(script)).toBeNull();
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
      const size = jpegSize(bytes);
      if (size) expect(bytes[0]).toBe(0xff);
    }),
  );
});
