export { SHIPPED_METHODS, usualMethod } from './shipped.ts';
