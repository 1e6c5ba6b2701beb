import { createWriteStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Transform, type Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import yauzl from "yauzl";
import { notValid, tooLarge } from "../http/refusal.ts";

/** Largest archive, the most that may come out of it, and how many files, in bytes and files. */
const MOST_ARCHIVE_BYTES = 512 * 1024 * 1024;
const MOST_UNPACKED_BYTES = 1024 * 1024 * 1024;
const MOST_FILES = 60_000;
/** Largest single file: a picture, or a job with a long history. */
const MOST_FILE_BYTES = 24 * 1024 * 1024;

/** The names that a shop's archive has, and no others. */
const NAMES =
  /^(shop|parts|vehicles)\.json$|^jobs\/[A-Za-z0-9-]{1,64}\/(job\.dragonet|history)\.json$|^jobs\/[A-Za-z0-9-]{1,64}\/photos\/[A-Za-z0-9][A-Za-z0-9_-]{0,63}\.jpg$/;

/** Lets through so many bytes and then refuses, whatever a header said. */
function atMost(bytes: number, refusal: () => Error): Transform {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      if (seen > bytes) done(refusal());
      else done(null, chunk);
    },
  });
}

/** An uploaded archive, on disk and never whole in memory. */
export class ArchiveFile {
  private constructor(
    private readonly folder: string,
    private readonly path: string,
  ) {}

  static async receive(body: Readable): Promise<ArchiveFile> {
    const folder = await mkdtemp(join(tmpdir(), "dragonet-archive-"));
    const file = new ArchiveFile(folder, join(folder, "shop.zip"));
    const limit = atMost(MOST_ARCHIVE_BYTES, () => tooLarge("too large (512 MB at most)"));
    try {
      await pipeline(body, limit, createWriteStream(file.path));
      return file;
    } catch (error) {
      await file.remove();
      throw error;
    }
  }

  async remove(): Promise<void> {
    await rm(this.folder, { recursive: true, force: true });
  }

  private open(): Promise<yauzl.ZipFile> {
    return new Promise((done, fail) => {
      yauzl.open(this.path, { lazyEntries: true, autoClose: true }, (error, zip) => {
        if (error) fail(notValid(`not a ZIP: ${error.message}; nothing was stored`));
        else done(zip);
      });
    });
  }

  /** Its files one after the other, each handed to `take` whole. Refuses what is not a shop's. */
  async each(take: (name: string, bytes: Buffer) => Promise<void>): Promise<void> {
    const zip = await this.open();
    const seen = new Set<string>();
    let unpacked = 0;
    const one = async (entry: yauzl.Entry): Promise<void> => {
      const name = entry.fileName;
      if (name.endsWith("/")) return;
      if (!NAMES.test(name)) throw notValid(`${name.slice(0, 80)}: not part of a shop's archive`);
      if (seen.has(name)) throw notValid(`${name}: is there twice`);
      seen.add(name);
      if (seen.size > MOST_FILES) throw notValid(`more than ${MOST_FILES} files`);
      const bytes = await readEntry(zip, entry);
      unpacked += bytes.length;
      if (unpacked > MOST_UNPACKED_BYTES) throw tooLarge("unpacks to more than 1 GiB");
      await take(name, bytes);
    };
    try {
      await new Promise<void>((done, fail) => {
        zip.on("entry", (entry: yauzl.Entry) => {
          one(entry).then(() => zip.readEntry(), fail);
        });
        zip.once("end", done);
        zip.once("error", (error: Error) => {
          fail(notValid(`a broken ZIP: ${error.message}; nothing was stored`));
        });
        zip.readEntry();
      });
    } finally {
      zip.close();
    }
  }
}

async function readEntry(zip: yauzl.ZipFile, entry: yauzl.Entry): Promise<Buffer> {
  const stream = await new Promise<Readable>((done, fail) => {
    zip.openReadStream(entry, (error, opened) => {
      if (error) fail(notValid(`${entry.fileName}: ${error.message}`));
      else done(opened);
    });
  });
  const limit = atMost(MOST_FILE_BYTES, () =>
    tooLarge(`${entry.fileName}: unpacks to more than 24 MB`),
  );
  const chunks: Buffer[] = [];
  try {
    await pipeline(stream, limit, async (source: AsyncIterable<Buffer>) => {
      for await (const chunk of source) chunks.push(chunk);
    });
  } catch (error) {
    if (error instanceof Error && "getStatus" in error) throw error;
    throw notValid(`${entry.fileName}: broken (${(error as Error).message}); nothing was stored`);
  }
  return Buffer.concat(chunks);
}
