/** The built page, and what browsers are told with it. */
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { NestExpressApplication } from "@nestjs/platform-express";
import compression from "compression";
import express, { type NextFunction, type Request, type Response } from "express";
import helmet from "helmet";
import sirv from "sirv";
import { SESSION_COOKIE } from "../people/sessions.ts";

/** A year, for what never changes under its name; in s. */
const YEAR_S = 365 * 24 * 3600;

/** What browsers are told about the page: nothing from elsewhere, nothing in a frame. */
const pageHeaders = (secure: boolean) =>
  helmet({
    contentSecurityPolicy: {
      directives: {
        "default-src": ["'self'"],
        "script-src": ["'self'"],
        // Radix and charts set style attributes; no style sheet comes from elsewhere.
        "style-src": ["'self'", "'unsafe-inline'"],
        "img-src": ["'self'", "data:", "blob:"],
        "worker-src": ["'self'", "blob:"],
        "connect-src": ["'self'"],
        "font-src": ["'self'"],
        "object-src": ["'none'"],
        "frame-ancestors": ["'none'"],
        "upgrade-insecure-requests": null,
      },
    },
    // Plain http on a shop's own network is normal; https is the operator's choice, and then
    // browsers are held to it.
    strictTransportSecurity: secure ? { maxAge: YEAR_S, includeSubDomains: false } : false,
  });

interface First {
  /** What its list asks for, as it asks for it. */
  readonly list: string;
  /** The source of the page. */
  readonly page: string;
}

/** Pages that begin with a list, by their address. */
const FIRST: Readonly<Record<string, First>> = {
  "/": { list: "/api/board", page: "src/board/BoardPage.tsx" },
  "/shelf": { list: "/api/shelf?q=", page: "src/shelf/ShelfPage.tsx" },
};

/** What the build tells of a piece of the page: its file, and the pieces that it begins with. */
interface Piece {
  readonly file: string;
  readonly imports?: readonly string[];
}

/** Files that a page begins with, the door of the application first; none without a build's word. */
function piecesOf(folder: string, page: string): readonly string[] {
  const told = join(folder, ".vite/manifest.json");
  if (!existsSync(told)) return [];
  const pieces = JSON.parse(readFileSync(told, "utf8")) as Readonly<Record<string, Piece>>;
  const named = new Set<string>();
  const walk = (from: string): void => {
    if (named.has(from)) return;
    named.add(from);
    for (const next of pieces[from]?.imports ?? []) walk(next);
  };
  for (const from of ["index.html", page]) walk(from);
  return [...named].flatMap((one) => pieces[one]?.file ?? []);
}

/**
 * What a list's page is made of and asks for, to be fetched before the page itself has been read: a header. The door
 * goes first: it is the largest, and nothing runs before it is here.
 */
function aheadOf(folder: string, { list, page }: First): string {
  const asked = ["/api/session", list].map(
    (path) => `<${path}>; rel="preload"; as="fetch"; crossorigin="anonymous"`,
  );
  const files = piecesOf(folder, page).map(
    (file) => `</${file}>; rel="modulepreload"; crossorigin`,
  );
  return [...files.slice(0, 1), ...asked, ...files.slice(1)].join(", ");
}

/** The built page: hashed assets for ever, the page itself asked for every time. */
export function servePage(app: NestExpressApplication, folder: string): void {
  const page = express.Router();
  const [plain, secure] = [pageHeaders(false), pageHeaders(true)];
  page.use((req, res, next) => (req.secure ? secure : plain)(req, res, next));
  // Looked through once, and squeezed when they were built: a first visit asks for dozens of them.
  const files = { gzip: true, etag: true, extensions: [] };
  const assets = sirv(join(folder, "assets"), { ...files, immutable: true, maxAge: YEAR_S });
  page.use("/assets", assets, (_req, res) => {
    res.status(404).end();
  });
  page.use(sirv(folder, { ...files, maxAge: 0 }));
  const ahead = new Map(
    Object.entries(FIRST).map(([address, first]) => [address, aheadOf(folder, first)]),
  );
  page.get(/.*/, compression(), (req: Request, res: Response) => {
    // Whoever comes back to a list has it asked for before the page's code is read.
    const link = ahead.get(req.originalUrl);
    if (link !== undefined && req.headers.cookie?.includes(`${SESSION_COOKIE}=`)) {
      res.set("link", link);
    }
    res.set("cache-control", "no-cache").sendFile(join(folder, "index.html"));
  });
  // The API never looks for a file, and answers on a shop's own network uncompressed:
  // squeezing a job costs more time there than sending it.
  app.use((req: Request, res: Response, next: NextFunction) =>
    req.path.startsWith("/api/") ? next() : page(req, res, next),
  );
}
