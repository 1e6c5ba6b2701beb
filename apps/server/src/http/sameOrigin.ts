import type { NextFunction, Request, Response } from "express";

const SAFE = new Set(["GET", "HEAD", "OPTIONS"]);

function sameHost(origin: string, host: string | undefined): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/**
 * Refuses changes that another site's page asks for. Browsers say where a request comes
 * from (Sec-Fetch-Site, Origin); programs that are no browser say neither and have no
 * cookies of a victim to ride on.
 */
export function sameOrigin(req: Request, res: Response, next: NextFunction): void {
  if (SAFE.has(req.method)) return next();
  const site = req.get("sec-fetch-site");
  const origin = req.get("origin");
  const foreign =
    (site !== undefined && site !== "same-origin" && site !== "none") ||
    (origin !== undefined && !sameHost(origin, req.get("host")));
  if (foreign) {
    res.status(403).json({ message: "this request comes from another site" });
    return;
  }
  next();
}
