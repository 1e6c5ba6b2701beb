import JSZip from "jszip";
import { checkPart, checkVehicle, readJobFile } from "@dragonet/contract";
import {
  SHAPE_VERSION,
  printJob,
  upgradePart,
  upgradeVehicle,
  type Fault,
  type Job,
  type Part,
  type Vehicle,
} from "@dragonet/core";

/** Everything a shop has, as it goes into one file and comes out of it. */
export interface ShopArchive {
  readonly jobs: readonly {
    readonly document: Job;
    readonly photos: readonly { readonly id: string; readonly bytes: Buffer }[];
  }[];
  readonly parts: readonly Part[];
  readonly vehicles: readonly Vehicle[];
}

export type ReadArchive =
  | { readonly ok: true; readonly value: ShopArchive }
  | { readonly ok: false; readonly faults: readonly Fault[] };

const FORMAT = "dragonet-shop/1";
/** What a file may unpack to, in bytes: a small file that swells is refused. */
const MOST_BYTES = 1024 * 1024 * 1024;
const MOST_FAULTS = 50;

/** A shop as a ZIP archive: job files, their pictures, shelf and vehicles as JSON. */
export async function writeArchive(archive: ShopArchive): Promise<Buffer> {
  const zip = new JSZip();
  const head = { format: FORMAT, shape: SHAPE_VERSION };
  zip.file("shop.json", `${JSON.stringify(head, null, 2)}\n`);
  zip.file("parts.json", `${JSON.stringify(archive.parts, null, 2)}\n`);
  zip.file("vehicles.json", `${JSON.stringify(archive.vehicles, null, 2)}\n`);
  archive.jobs.forEach(({ document, photos }, i) => {
    const name = `jobs/${String(i + 1).padStart(4, "0")}`;
    zip.file(`${name}/job.dragonet.json`, printJob(document));
    for (const { id, bytes } of photos) zip.file(`${name}/photos/${id}.jpg`, bytes);
  });
  return zip.generateAsync({ type: "nodebuffer", compression: "DEFLATE" });
}

/** A file's size as the archive says before it is unpacked; the library keeps it inside. */
const sizeOf = (file: JSZip.JSZipObject): number =>
  (file as unknown as { _data?: { uncompressedSize?: number } })._data?.uncompressedSize ?? 0;

function readList<T>(
  text: string,
  name: string,
  check: (plain: unknown) => { ok: true; value: T } | { ok: false; faults: readonly Fault[] },
  faults: Fault[],
): T[] {
  let list: unknown;
  try {
    list = JSON.parse(text);
  } catch (error) {
    faults.push({ path: name, message: `not JSON: ${(error as Error).message}` });
    return [];
  }
  if (!Array.isArray(list)) {
    faults.push({ path: name, message: "not a list" });
    return [];
  }
  return list.flatMap((plain: unknown, i): T[] => {
    const checked = check(plain);
    if (checked.ok) return [checked.value];
    faults.push(...checked.faults.map((f) => ({ ...f, path: `${name}[${i}].${f.path}` })));
    return [];
  });
}

/** Version of an archive's parts and vehicles; the first for one that does not say. */
function shapeOf(head: string): number {
  const said = /"shape":\s*(\d{1,3})/.exec(head)?.[1];
  return said === undefined ? 1 : Number(said);
}

/** Reads an archive. Every fault with the file it is in; nothing is taken when there is one. */
export async function readArchive(bytes: Buffer): Promise<ReadArchive> {
  let zip: JSZip;
  try {
    zip = await JSZip.loadAsync(bytes);
  } catch (error) {
    return { ok: false, faults: [{ path: "", message: `not a ZIP: ${(error as Error).message}` }] };
  }
  const total = Object.values(zip.files).reduce((sum, file) => sum + sizeOf(file), 0);
  if (total > MOST_BYTES) {
    return {
      ok: false,
      faults: [{ path: "", message: `unpacks to ${total} bytes (1 GiB at most)` }],
    };
  }
  const text = async (name: string): Promise<string> =>
    (await zip.file(name)?.async("string")) ?? "";
  const head = await text("shop.json");
  if (!head.includes(`"${FORMAT}"`)) {
    return {
      ok: false,
      faults: [{ path: "shop.json", message: `not a shop's archive (needs format "${FORMAT}")` }],
    };
  }
  const faults: Fault[] = [];
  const shape = shapeOf(head);
  const [partsText, vehiclesText] = [await text("parts.json"), await text("vehicles.json")];
  const parts = readList(
    partsText,
    "parts.json",
    (plain) => checkPart(upgradePart(plain, shape)),
    faults,
  );
  const vehicles = readList(
    vehiclesText,
    "vehicles.json",
    (plain) => checkVehicle(upgradeVehicle(plain, shape)),
    faults,
  );
  const jobs: ShopArchive["jobs"][number][] = [];
  for (const name of Object.keys(zip.files).sort()) {
    const [, folder] = /^(jobs\/[^/]+)\/job\.dragonet\.json$/.exec(name) ?? [];
    if (folder === undefined) continue;
    const read = readJobFile(await text(name));
    if (!read.ok) {
      faults.push(...read.faults.map((f) => ({ ...f, path: `${name}: ${f.path}` })));
      continue;
    }
    const photos = [];
    for (const { id } of read.value.photos) {
      const file = zip.file(`${folder}/photos/${id}.jpg`);
      if (file) photos.push({ id, bytes: await file.async("nodebuffer") });
    }
    jobs.push({ document: read.value, photos });
  }
  return faults.length > 0
    ? { ok: false, faults: faults.slice(0, MOST_FAULTS) }
    : { ok: true, value: { jobs, parts, vehicles } };
}
