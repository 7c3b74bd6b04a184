import type { Readable } from 'node:stream';
import { breathe } from '../../breathe.ts';
import { AppError } from '../../plugins/errors.ts';

/** A value of a JSON document with where it stands in it. */
export interface JsonMember {
  /** The pattern it was asked for by. */
  readonly part: string;
  /** "makes.3.events.7" */
  readonly path: string;
  readonly value: unknown;
}

/**
 * The values that are wanted of a document, by their paths, each with how many bytes it may take at most. `*` is every
 * member of a list: `{ 'makes.*.id': 100 }`. Of a list whose members are gone through, each one is told where it begins
 * (`makes.*`, without a value): it may hold nothing that is wanted.
 */
export type WantedParts = Readonly<Record<string, number>>;

/** No file of ours is nested half so deep. */
const MOST_DEPTH = 32;
/** A forecast of a cheese holds twenty thousand numbers; an entry of more values is none. */
const MOST_VALUES = 40_000;
/** Bytes that are gone through before the clock is looked at. */
const STRIDE = 4096;
/** Names of fields are words. */
const MOST_KEY_BYTES = 200;
/** After so long everybody else has a turn. */
const SLICE_MS = 4;

const wrong = (path: string, message: string): AppError => new AppError('bad-input', [{ path, message }]);
const NO_JSON = 'is not valid JSON: the file is damaged, or of another kind';

const OPEN_OBJECT = 0x7b;
const CLOSE_OBJECT = 0x7d;
const OPEN_LIST = 0x5b;
const CLOSE_LIST = 0x5d;
const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COLON = 0x3a;
const COMMA = 0x2c;
const isBlank = (byte: number): boolean => byte === 0x20 || byte === 0x0a || byte === 0x0d || byte === 0x09;

type Expected = 'value' | 'value-or-end' | 'key' | 'key-or-end' | 'colon' | 'comma-or-end' | 'nothing';

/** A list or object that is gone through member by member. */
interface Walked {
  readonly list: boolean;
  /** Its own place, and the same as a pattern. */
  readonly path: string;
  readonly part: string;
  index: number;
  key: string;
}

/** A value, or the name of a field, that is read to its end. */
interface Piece {
  readonly part: string;
  readonly path: string;
  readonly kind: 'key' | 'text' | 'nested' | 'plain';
  /** How large it may be; `null` when it is passed over. */
  readonly mostBytes: number | null;
  readonly bytes: Buffer[];
  size: number;
  values: number;
  depth: number;
  inText: boolean;
  escaped: boolean;
}

const joined = (path: string, key: string): string => (path === '' ? key : `${path}.${key}`);

/** Whether a wanted part lies inside of a value, and whether that value must be a list for it. */
function insides(wanted: WantedParts): ReadonlyMap<string, { readonly list: boolean }> {
  const found = new Map<string, { list: boolean }>();
  for (const part of Object.keys(wanted)) {
    const keys = part.split('.');
    for (let i = 0; i < keys.length; i++) found.set(keys.slice(0, i).join('.'), { list: keys[i] === '*' });
  }
  return found;
}

/**
 * Finds the wanted parts of a JSON document in its bytes as they come. What is passed over, and what a part may be larger
 * than, is never kept; what is nested too deep is refused where it goes too deep.
 */
class MemberScanner {
  private readonly walked: Walked[] = [];
  private readonly inside: ReadonlyMap<string, { readonly list: boolean }>;
  private expected: Expected = 'value';
  private piece: Piece | null = null;
  private begun: JsonMember | null = null;

  constructor(private readonly wanted: WantedParts) {
    this.inside = insides(wanted);
  }

  *scan(chunk: Buffer): Generator<JsonMember> {
    let at = 0;
    while (at < chunk.length) {
      if (this.piece) {
        const [end, done] = readPiece(this.piece, chunk, at, this.walked.length);
        keep(this.piece, chunk.subarray(at, end));
        at = end;
        if (!done) return;
        const member = this.finish(this.piece);
        this.piece = null;
        if (member) yield member;
        continue;
      }
      const byte = chunk[at]!;
      if (isBlank(byte)) at++;
      else if (this.takes(byte)) at++;
      if (!this.begun) continue;
      yield this.begun;
      this.begun = null;
    }
  }

  /** @throws AppError when the document ends too early */
  end(): void {
    if (this.expected !== 'nothing' || this.piece)
      throw wrong('', 'ends in the middle: the file is not whole');
  }

  private here(): { path: string; part: string } {
    const top = this.walked.at(-1);
    if (!top) return { path: '', part: '' };
    return top.list
      ? { path: joined(top.path, String(top.index)), part: joined(top.part, '*') }
      : { path: joined(top.path, top.key), part: joined(top.part, top.key) };
  }

  /** @returns whether the byte was used up; otherwise it begins a piece */
  private takes(byte: number): boolean {
    const top = this.walked.at(-1);
    switch (this.expected) {
      case 'key-or-end':
      case 'key':
        if (byte === CLOSE_OBJECT && this.expected === 'key-or-end') return this.close();
        if (byte !== QUOTE) throw wrong(this.here().path, NO_JSON);
        this.begin('key', { ...this.here(), mostBytes: MOST_KEY_BYTES });
        return false;
      case 'colon':
        if (byte !== COLON) throw wrong(this.here().path, NO_JSON);
        this.expected = 'value';
        return true;
      case 'comma-or-end':
        if (byte === (top?.list === true ? CLOSE_LIST : CLOSE_OBJECT)) return this.close();
        if (byte !== COMMA || !top) throw wrong(this.here().path, NO_JSON);
        top.index++;
        this.expected = top.list ? 'value' : 'key';
        return true;
      case 'value-or-end':
        if (byte === CLOSE_LIST) return this.close();
        return this.value(byte);
      case 'value':
        return this.value(byte);
      case 'nothing':
        throw wrong('', 'continues after its end: the file is damaged');
    }
  }

  private close(): true {
    this.walked.pop();
    this.expected = this.walked.length === 0 ? 'nothing' : 'comma-or-end';
    return true;
  }

  private value(byte: number): boolean {
    const { path, part } = this.here();
    const nested = byte === OPEN_OBJECT || byte === OPEN_LIST;
    const mostBytes = this.wanted[part] ?? null;
    const inside = mostBytes === null ? this.inside.get(part) : undefined;
    if (inside) {
      // A list as a whole is good JSON, and no file of ours.
      if (path === '' && byte === OPEN_LIST)
        throw new AppError('wrong-file', [{ path: '', message: 'is a list' }]);
      if (byte !== (inside.list ? OPEN_LIST : OPEN_OBJECT))
        throw wrong(path, path === '' ? NO_JSON : inside.list ? 'is not a list' : 'is not an object');
      if (part.endsWith('*')) this.begun = { part, path, value: undefined };
      this.walked.push({ list: inside.list, path, part, index: 0, key: '' });
      this.expected = inside.list ? 'value-or-end' : 'key-or-end';
      return true;
    }
    this.begin(nested ? 'nested' : byte === QUOTE ? 'text' : 'plain', { path, part, mostBytes });
    return false;
  }

  private begin(kind: Piece['kind'], what: Pick<Piece, 'path' | 'part' | 'mostBytes'>): void {
    this.piece = { ...what, kind, bytes: [], size: 0, values: 0, depth: 0, inText: false, escaped: false };
  }

  private finish(piece: Piece): JsonMember | null {
    const { part, path, kind, mostBytes } = piece;
    if (mostBytes === null) {
      this.expected = this.walked.length === 0 ? 'nothing' : 'comma-or-end';
      return null;
    }
    const value = readValue(piece);
    if (kind === 'key') {
      this.walked.at(-1)!.key = String(value);
      this.expected = 'colon';
      return null;
    }
    this.expected = this.walked.length === 0 ? 'nothing' : 'comma-or-end';
    return { part, path, value };
  }
}

/** @throws AppError when more of a piece came than it may take */
function keep(piece: Piece, bytes: Buffer): void {
  if (piece.mostBytes === null) return;
  piece.size += bytes.length;
  const message =
    piece.size > piece.mostBytes
      ? `is larger than ${Math.ceil(piece.mostBytes / 1024)} kB`
      : piece.values > MOST_VALUES
        ? `holds more than ${MOST_VALUES} values`
        : null;
  if (message !== null) throw new AppError('too-large', [{ path: piece.path, message }]);
  piece.bytes.push(bytes);
}

function readValue({ bytes, path }: Piece): unknown {
  try {
    return JSON.parse((bytes.length === 1 ? bytes[0]! : Buffer.concat(bytes)).toString('utf8'));
  } catch {
    throw wrong(path, NO_JSON);
  }
}

/** Reads on in a piece. @returns where it went to, and whether the piece ended there */
function readPiece(piece: Piece, chunk: Buffer, from: number, outerDepth: number): [number, boolean] {
  let at = from;
  if (piece.kind === 'plain') {
    for (; at < chunk.length; at++) {
      const byte = chunk[at]!;
      if (byte === COMMA || byte === CLOSE_LIST || byte === CLOSE_OBJECT || isBlank(byte)) return [at, true];
    }
    return [at, false];
  }
  while (at < chunk.length) {
    const byte = chunk[at++]!;
    if (piece.inText) {
      if (piece.escaped) piece.escaped = false;
      else if (byte === BACKSLASH) piece.escaped = true;
      else if (byte === QUOTE) {
        piece.inText = false;
        if (piece.depth === 0) return [at, true];
      }
    } else if (byte === QUOTE) piece.inText = true;
    else if (byte === COMMA) piece.values++;
    else if (byte === OPEN_OBJECT || byte === OPEN_LIST) {
      piece.depth++;
      if (outerDepth + piece.depth > MOST_DEPTH)
        throw wrong(piece.path, `is nested more than ${MOST_DEPTH} deep`);
    } else if (byte === CLOSE_OBJECT || byte === CLOSE_LIST) {
      piece.depth--;
      if (piece.depth === 0) return [at, true];
    }
  }
  return [at, false];
}

/**
 * Reads the wanted parts of a JSON document one by one, and lets others have their turn meanwhile: however large the
 * document, no more of it lies in memory than its largest wanted part.
 * @example for await (const { path, value } of jsonMembers(file, { 'makes.*.id': 100 })) …
 * @throws AppError `bad-input` for what is no JSON or is nested too deep, `too-large` for a part that is
 */
export async function* jsonMembers(source: Readable, wanted: WantedParts): AsyncGenerator<JsonMember> {
  const scanner = new MemberScanner(wanted);
  let sinceMs = performance.now();
  const turn = async (): Promise<void> => {
    if (performance.now() - sinceMs < SLICE_MS) return;
    await breathe();
    sinceMs = performance.now();
  };
  for await (const chunk of source as AsyncIterable<Buffer>)
    for (let at = 0; at < chunk.length; at += STRIDE) {
      for (const member of scanner.scan(chunk.subarray(at, at + STRIDE))) {
        yield member;
        await turn();
      }
      await turn();
    }
  scanner.end();
}
