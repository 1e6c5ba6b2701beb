import { itemAt } from "@dragonet/core";
import express, {
  type NextFunction,
  type Request,
  type RequestHandler,
  type Response,
} from "express";
import { unsound } from "@dragonet/contract";
import { MOST_PHOTO_BYTES } from "../photos/develop.ts";

/** Largest bodies by what is asked for; the first that fits the path counts. */
const JSON_LIMITS: readonly (readonly [RegExp, string, string])[] = [
  [/^\/(session|offers)/, "8kb", "8 kB"],
  [/^\/(jobs|parts|vehicles)\/import$/, "9mb", "9 MB"],
  [/^\/jobs\/[^/]+\/edits$/, "3mb", "3 MB"],
  [/./, "1mb", "1 MB"],
];

const PHOTO = /^\/jobs\/[^/]+\/photos\/[^/]+$/;
const ARCHIVE = /^\/shop\/archive$/;
/** What may be sent without being signed in: to sign in, and a customer's word. */
const OPEN = /^\/(session(\/first-owner|\/by-code)?|offers\/[^/]+\/accept)$/;

const hasBody = (req: Request): boolean =>
  Number(req.get("content-length") ?? 0) > 0 || req.get("transfer-encoding") !== undefined;

/** Answers without reading what was sent, and lets the connection go with it. */
function refuse(res: Response, status: number, message: string): void {
  res.status(status).set("connection", "close").json({ message });
}

/**
 * Before any body is read: who sends one is signed in, and it is of a kind that is taken,
 * not squeezed. A small body that swells, or a large one of a stranger, costs nothing.
 */
export function admitBody(req: Request, res: Response, next: NextFunction): void {
  if (!hasBody(req)) return next();
  if (req.method === "GET" || req.method === "HEAD") {
    return refuse(res, 400, "a request to read carries nothing");
  }
  if (req.session.personId === undefined && !OPEN.test(req.path)) {
    return refuse(res, 401, "sign in first");
  }
  if (req.get("content-encoding") !== undefined && req.get("content-encoding") !== "identity") {
    return refuse(res, 415, "send it as it is, not compressed");
  }
  if (ARCHIVE.test(req.path)) return next();
  const wanted = PHOTO.test(req.path) ? "image/*" : "application/json";
  if (!req.is(wanted)) {
    return refuse(
      res,
      415,
      `this takes ${wanted}, not ${req.get("content-type") ?? "nothing named"}`,
    );
  }
  next();
}

const readPhoto = express.raw({ type: "image/*", limit: MOST_PHOTO_BYTES, inflate: false });
const readJson = JSON_LIMITS.map(
  ([path, limit, words]) =>
    [path, express.json({ limit, inflate: false, strict: true }), words] as const,
);

/** Reads a body, at most as much as its route takes. An archive is left to its controller. */
export function readBody(req: Request, res: Response, next: NextFunction): void {
  if (!hasBody(req) || ARCHIVE.test(req.path)) return next();
  if (PHOTO.test(req.path)) return readPhoto(req, res, next);
  const [, read, words] = readJson.find(([path]) => path.test(req.path)) ?? itemAt(readJson, 0);
  read(req, res, (error?: unknown) => {
    if (error && (error as { type?: string }).type === "entity.too.large") {
      return refuse(res, 413, `too large (${words} at most here)`);
    }
    if (error) return next(error);
    const fault = unsound(req.body);
    if (!fault) return next();
    const message = fault.path === "" ? fault.message : `${fault.path}: ${fault.message}`;
    res.status(422).json({ message, faults: [fault] });
  });
}

/** An address with a NUL or broken percent signs in it names nothing. */
export const soundAddress: RequestHandler = (req, res, next) => {
  try {
    if (!decodeURIComponent(req.originalUrl).includes("\0")) return next();
  } catch {
    // Told below.
  }
  res.status(400).json({ message: "this address is not written as addresses are" });
};
