import { readFileSync, readdirSync } from "node:fs";

/** Whether a process was started by another, or by one that it started. */
function belongsTo(pid, parent) {
  for (let at = pid; at > 1;) {
    if (at === parent) return true;
    const status = readFileSync(`/proc/${at}/status`, "utf8");
    at = Number(/^PPid:\s+(\d+)/m.exec(status)?.[1] ?? 0);
  }
  return false;
}

/** Processes that belong to another one and whose command line has a word. */
export function processesOf(parent, word) {
  return readdirSync("/proc").flatMap((pid) => {
    if (!/^\d+$/.test(pid)) return [];
    try {
      const line = readFileSync(`/proc/${pid}/cmdline`, "utf8").replaceAll("\0", " ");
      return line.includes(word) && belongsTo(Number(pid), parent) ? [Number(pid)] : [];
    } catch {
      // Gone while it was looked at.
      return [];
    }
  });
}
