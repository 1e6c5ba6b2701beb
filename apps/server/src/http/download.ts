import type { Response } from "express";

/** Sends text or bytes as a file; express writes the name safely, whatever a job is called. */
export function sendFile(
  res: Response,
  name: string,
  type: string,
  body: string | Uint8Array,
  disposition: "attachment" | "inline" = "attachment",
): void {
  const plain = name.replace(/[^\p{L}\p{N} ._-]/gu, "").slice(0, 120);
  res.attachment(plain);
  if (disposition === "inline") {
    res.set(
      "content-disposition",
      String(res.get("content-disposition")).replace("attachment", "inline"),
    );
  }
  res.type(type).send(typeof body === "string" ? body : Buffer.from(body));
}
