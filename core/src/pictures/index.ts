export { jpegSize } from './jpeg.ts';
