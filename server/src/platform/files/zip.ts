import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { finished } from 'node:stream/promises';
import { PassThrough, type Readable } from 'node:stream';
import archiver from 'archiver';
import yauzl from 'yauzl';

/** What was written of one file. */
export interface Written {
  readonly path: string;
  /** SHA-256 of it, hexadecimal. */
  readonly sha256: string;
}

/** Longest line of a file that is read line by line, characters: a force trace is one row. */
const LONGEST_LINE = 16_000_000;

/** A zip that is written file by file, however large the files are. */
export class ZipWriter {
  readonly #zip = archiver('zip', { zlib: { level: 6 } });
  readonly #done: Promise<void>;

  constructor(path: string) {
    const out = createWriteStream(path, { mode: 0o600 });
    this.#zip.pipe(out);
    // What goes wrong with the zip must end the wait for the file too.
    this.#zip.once('error', (error) => out.destroy(error));
    this.#done = finished(out);
    this.#done.catch(() => undefined);
  }

  /** Writes a file of text, piece by piece. */
  async add(path: string, pieces: AsyncIterable<string> | Iterable<string>): Promise<Written> {
    const file = new PassThrough();
    // One moment for every file: the same content makes the same archive.
    this.#zip.append(file, { name: path, date: new Date(0) });
    const hash = createHash('sha256');
    for await (const piece of pieces) {
      hash.update(piece);
      if (!file.write(piece)) await Promise.race([new Promise((go) => file.once('drain', go)), this.#done]);
    }
    file.end();
    return { path, sha256: hash.digest('hex') };
  }

  async close(): Promise<void> {
    await this.#zip.finalize();
    await this.#done;
  }

  /** Ends it half-written. */
  async abort(): Promise<void> {
    this.#zip.abort();
    await this.#done.catch(() => undefined);
  }
}

/** A zip that is read file by file. */
export class ZipReader {
  private constructor(
    private readonly zip: yauzl.ZipFile,
    private readonly entries: ReadonlyMap<string, yauzl.Entry>,
  ) {}

  /** @throws where it is no zip. */
  static async open(path: string): Promise<ZipReader> {
    const zip = await new Promise<yauzl.ZipFile>((resolve, reject) => {
      // Its sizes are checked while it is read: one that unpacks to more than it says ends with an error.
      yauzl.open(path, { lazyEntries: true, autoClose: false }, (error, opened) =>
        error ? reject(error) : resolve(opened),
      );
    });
    const entries = new Map<string, yauzl.Entry>();
    await new Promise<void>((resolve, reject) => {
      zip.on('entry', (entry: yauzl.Entry) => {
        entries.set(entry.fileName, entry);
        zip.readEntry();
      });
      zip.once('end', resolve).once('error', reject);
      zip.readEntry();
    });
    return new ZipReader(zip, entries);
  }

  /** Size of a file in it when unpacked, bytes; null where there is none of that name. */
  sizeOf(path: string): number | null {
    return this.entries.get(path)?.uncompressedSize ?? null;
  }

  async sha256(path: string): Promise<string> {
    const hash = createHash('sha256');
    for await (const piece of await this.stream(path)) hash.update(piece as Buffer);
    return hash.digest('hex');
  }

  async text(path: string): Promise<string> {
    const pieces: Buffer[] = [];
    for await (const piece of await this.stream(path)) pieces.push(piece as Buffer);
    return Buffer.concat(pieces).toString('utf8');
  }

  async *lines(path: string): AsyncGenerator<string> {
    const input = await this.stream(path);
    for await (const line of createInterface({ input, crlfDelay: Infinity })) {
      if (line.length > LONGEST_LINE) throw new Error(`${path} has a line that is too long`);
      yield line;
    }
  }

  close(): void {
    this.zip.close();
  }

  private stream(path: string): Promise<Readable> {
    const entry = this.entries.get(path);
    if (!entry) return Promise.reject(new Error(`${path} is missing`));
    return new Promise((resolve, reject) => {
      this.zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(stream)));
    });
  }
}
