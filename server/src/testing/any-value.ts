import type { createRandom } from '@morning-crock/core';

type Random = ReturnType<typeof createRandom>;

/** As much of JSON Schema as our contract comes out as. */
export interface Shape {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
  readonly allOf?: readonly Shape[];
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly items?: Shape;
  readonly prefixItems?: readonly Shape[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly exclusiveMaximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly format?: string;
  readonly pattern?: string;
}

/** What texts of a certain kind are drawn from. */
export interface Words {
  readonly ids: () => readonly string[];
  readonly instants: readonly string[];
}

const ID = /0-9A-HJKMNP/;
const LETTERS = ['a', 'é', ' ', '7', '😀', '"', '<', '\u0000', '\u202e', '𝄞'];

/** Some value that a shape allows, its ends more often than anything between. */
export function anyValue(shape: Shape, random: Random, words: Words): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]!;
  if (shape.const !== undefined) return shape.const;
  if (shape.enum) return pick(shape.enum);
  const ways = shape.anyOf ?? shape.oneOf;
  if (ways) return anyValue(pick(ways), random, words);
  if (shape.allOf) return anyValue(Object.assign({}, ...shape.allOf) as Shape, random, words);
  switch (shape.type) {
    case 'null':
      return null;
    case 'boolean':
      return random.uniform() < 0.5;
    case 'integer':
    case 'number': {
      const low =
        shape.minimum ?? (shape.exclusiveMinimum === undefined ? -1e6 : shape.exclusiveMinimum + 1e-9);
      const high =
        shape.maximum ?? (shape.exclusiveMaximum === undefined ? 1e6 : shape.exclusiveMaximum - 1e-9);
      const value = pick([
        low,
        high,
        low + (high - low) * random.uniform(),
        low + (high - low) * 0.01 * random.uniform(),
      ]);
      return shape.type === 'integer'
        ? Math.min(Math.max(Math.round(value), Math.ceil(low)), Math.floor(high))
        : value;
    }
    case 'string': {
      if (shape.format === 'date-time') return pick(words.instants);
      if (shape.pattern && ID.test(shape.pattern)) return pick(words.ids());
      if (shape.pattern?.includes(':')) return pick(['00:00', '07:30', '23:59']);
      if (shape.pattern) return pick(['2026-03-02', '1970-01-01', '2099-12-31']);
      const most = Math.min(shape.maxLength ?? 40, 40);
      const least = shape.minLength ?? 0;
      const length = pick([least, most, Math.round(least + (most - least) * random.uniform())]);
      return Array.from({ length }, () => pick(LETTERS)).join('');
    }
    case 'array': {
      if (shape.prefixItems) return shape.prefixItems.map((item) => anyValue(item, random, words));
      const least = shape.minItems ?? 0;
      const length = Math.min(shape.maxItems ?? 3, least + Math.floor(random.uniform() * 3));
      return Array.from({ length }, () => anyValue(shape.items ?? {}, random, words));
    }
    case 'object':
      return Object.fromEntries(
        Object.entries(shape.properties ?? {})
          .filter(([key]) => shape.required?.includes(key) === true || random.uniform() < 0.5)
          .map(([key, value]) => [key, anyValue(value, random, words)]),
      );
    default:
      return pick([null, 0, 'x', {}, []]);
  }
}
