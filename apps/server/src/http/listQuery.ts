import { applyDecorators } from "@nestjs/common";
import { ApiQuery } from "@nestjs/swagger";
import type { Response } from "express";
import { notValid } from "./refusal.ts";

/** What came in an address. */
export type Asked = Readonly<Record<string, unknown>>;

const LONGEST = 200;
/** Things told at once, where nothing else is asked for, and at most. */
const USUAL_SIZE = 100;
const MOST_SIZE = 1000;

/** One text of an address; "" where it is not there. */
export function readText(asked: Asked, name: string, longest = LONGEST): string {
  const value = asked[name] ?? "";
  if (typeof value !== "string" || value.length > longest) {
    throw notValid(`${name}: one text of at most ${longest} letters`);
  }
  return value;
}

/** How many things are asked for. */
export function readSize(asked: Asked): number {
  const said = readText(asked, "size");
  const size = said === "" ? USUAL_SIZE : Number(said);
  if (!Number.isInteger(size) || size < 1 || size > MOST_SIZE) {
    throw notValid(`size: "${said}" (a whole number, 1 to ${MOST_SIZE})`);
  }
  return size;
}

/** A place in a list as an address holds it. */
export const printPlace = (parts: readonly (string | number)[]): string =>
  Buffer.from(JSON.stringify(parts)).toString("base64url");

/** The parts of a place where a list goes on; null where it begins. */
export function readPlace<T>(asked: Asked, of: (parts: readonly unknown[]) => T | null): T | null {
  const said = readText(asked, "after", 1000);
  if (said === "") return null;
  try {
    const parts: unknown = JSON.parse(Buffer.from(said, "base64url").toString());
    const place = Array.isArray(parts) ? of(parts as unknown[]) : null;
    if (place) return place;
  } catch {
    // Told below.
  }
  throw notValid("after: take what the list before it said comes next");
}

/** Says where the rest of a list is: RFC 8288. */
export function linkNext(res: Response, path: string, asked: Asked, next: string): void {
  if (next === "") return;
  const more = new URLSearchParams(asked as Record<string, string>);
  more.set("after", next);
  res.setHeader("link", `<${path}?${more.toString()}>; rel="next"`);
}

/** What may be asked for in an address, for the API's document. */
export const AsksFor = (...names: readonly string[]): MethodDecorator =>
  applyDecorators(...names.map((name) => ApiQuery({ name, type: String, required: false })));

/** Pages of a list. */
export const AsksForPages = (): MethodDecorator =>
  applyDecorators(
    ApiQuery({ name: "after", type: String, required: false }),
    ApiQuery({ name: "size", type: Number, required: false }),
  );
