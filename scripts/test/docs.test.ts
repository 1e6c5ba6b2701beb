/** What the documents name is there: files, names of the code, commands, doors and links. */
import { existsSync, readFileSync, readdirSync } from "node:fs";
import { dirname, join } from "node:path";

const ROOT = join(__dirname, "../..");
const read = (path: string) => readFileSync(join(ROOT, path), "utf8");

/** What the project holds, without what is installed, built or stored beside it. */
const below = (folder: string): string[] =>
  readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (!entry.isDirectory()) return [path];
    return /^(node_modules|dist|test-results|\.git|\.data.*)$/.test(entry.name) ? [] : below(path);
  });
const files = below(".");
const documents = files.filter((path) => /^[^/]+\.md$|^docs\/[^/]+\.md$/.test(path));
// What was is told there, under the names it had.
const ofToday = documents.filter((path) => path !== "CHANGELOG.md");

const code = files
  .filter((path) => /\.([cm]?[jt]sx?|css|sql)$|package\.json$/.test(path))
  .map(read)
  .join("\n");
const withoutComments = code.replace(/\/\*[\s\S]*?\*\//g, "").replace(/^\s*(\/\/|--).*$/gm, "");
const names = new Set(withoutComments.match(/[A-Za-z_$][\w$]*/g));
const decorators = new Set(withoutComments.match(/@[A-Z]\w*/g));

/** Every run of parts of every file's path, with its ending and without. */
const places = new Set<string>();
for (const file of files) {
  const parts = file.split("/");
  const last = parts.at(-1) ?? "";
  for (let from = 0; from < parts.length; from++) {
    for (let to = from + 1; to <= parts.length; to++) places.add(parts.slice(from, to).join("/"));
    const folder = parts.slice(from, -1).join("/");
    for (const end of [/\.\w+$/, /\.(test|spec)\.\w+$/]) {
      places.add(`${folder}${folder === "" ? "" : "/"}${last.replace(end, "")}`);
    }
  }
}

/** Words in capitals stand for what the reader chooses: `unit/NAME/unit.ts`. */
const CHOSEN = /(^|[/.\s-])([A-Z]{2,}|to\w*N)(?=$|[/.\s-])/;
/** Settings of the surroundings, words of other programs and names of what they answer. */
const OF_OTHERS = /^(npx |pg_|SHOW |LISTEN$|dist\/|replay_lag$|cl_waiting$|nodejs_)/;

function lacking(text: string): string | null {
  if (OF_OTHERS.test(text)) return null;
  const npm = /^npm (?:run (?:-s )?)?([\w:-]+)/.exec(text)?.[1];
  if (npm !== undefined) {
    const scripts = JSON.parse(read("package.json")) as { scripts: Record<string, string> };
    return npm === "ci" || npm in scripts.scripts ? null : `npm has no script ${npm}`;
  }
  const decorator = /^@[A-Z]\w*(?=\(|$)/.exec(text)?.[0];
  if (decorator !== undefined) return decorators.has(decorator) ? null : "no such decorator";
  // Headers: the code asks for them in small letters.
  if (/^[A-Z]\w+(-[A-Z]\w+)+$/.test(text)) {
    return withoutComments.includes(text.toLowerCase()) ? null : "no such header";
  }
  if (/^\/api(\/[\w-]+)*$/.test(text)) {
    const door = text.replace(/^\/api\/?/, "").split("/")[0] ?? "";
    return new RegExp(`["'\`/]${door}\\b`).test(withoutComments) ? null : "no such door";
  }
  if (/^[\w./-]+$/.test(text) && text.includes("/")) {
    const path = text.replace(/\/$/, "").replace(/^\.\//, "");
    const known = path.split(CHOSEN)[0]?.replace(/\/$/, "") ?? path;
    return places.has(known) || withoutComments.includes(`"${text}"`) ? null : "no such place";
  }
  const lacks = (text.match(/[A-Za-z_$][\w$]*/g) ?? []).find(
    (name) => !CHOSEN.test(name) && !names.has(name) && !places.has(name),
  );
  return lacks === undefined ? null : `nothing is called ${lacks}`;
}

describe("the documents", () => {
  it.each(ofToday)("%s names what is there", (path) => {
    const wrong: string[] = [];
    let fenced = false;
    for (const [index, line] of read(path).split("\n").entries()) {
      if (line.startsWith("```")) fenced = !fenced;
      if (fenced) continue;
      for (const [, text = ""] of line.matchAll(/`([^`]+)`/g)) {
        const why = lacking(text);
        if (why !== null) wrong.push(`${path}:${index + 1} \`${text}\`: ${why}`);
      }
    }
    expect(wrong).toEqual([]);
  });

  it.each(documents)("%s links to what is there", (path) => {
    const links = [...read(path).matchAll(/\]\(([^)#\s]+)[^)]*\)/g)].map(([, to = ""]) => to);
    const dead = links.filter(
      (to) => !/^https?:/.test(to) && !existsSync(join(ROOT, dirname(path), to)),
    );
    expect(dead).toEqual([]);
  });

  it("says the format that job files have", () => {
    const format = /JOB_FORMAT = (?:"dragonet-job\/)?(\d+)/.exec(code)?.[1];
    expect(format).toMatch(/^\d+$/);
    expect(read("docs/architecture.md")).toContain(`\`dragonet-job/${format}\``);
  });
});
