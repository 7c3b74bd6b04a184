import { writeFileSync } from 'node:fs';
import { create } from 'qrcode';

const [WIDTH, HEIGHT] = [640, 480];
/** The square takes three quarters of the height. */
const SIDE = 360;
const [BLACK, WHITE, NO_COLOUR] = [16, 235, 128];
const FRAMES = 3;

/** Films a square for a browser's camera: a few frames as a raw film (YUV4MPEG2). @param file written anew */
export function film(file: string, says: string): void {
  const { data, size } = create(says).modules;
  const each = Math.floor(SIDE / size);
  const [left, top] = [Math.floor((WIDTH - each * size) / 2), Math.floor((HEIGHT - each * size) / 2)];
  const brightness = Buffer.alloc(WIDTH * HEIGHT, WHITE);
  for (let y = 0; y < each * size; y++)
    for (let x = 0; x < each * size; x++)
      if (data[Math.floor(y / each) * size + Math.floor(x / each)])
        brightness[(top + y) * WIDTH + left + x] = BLACK;
  const frame = [Buffer.from('FRAME\n'), brightness, Buffer.alloc((WIDTH * HEIGHT) / 2, NO_COLOUR)];
  const head = Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`);
  writeFileSync(file, Buffer.concat([head, ...Array.from({ length: FRAMES }, () => frame).flat()]));
}
