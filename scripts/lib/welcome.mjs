/** What a start says of itself: where the shop is, who gets in, and by what. */
import { randomBytes } from "node:crypto";
import { networkInterfaces } from "node:os";
import { pathToFileURL } from "node:url";
import { fromRoot } from "./paths.mjs";

/** The demo's sign-ins, of the code that seeds them: there once it is built. */
export const demoPeople = async () =>
  (await import(pathToFileURL(fromRoot("apps/server/dist/signIns.js")).href)).DEMO_PEOPLE;

/** Addresses at which others on the network find a server on any address. */
export const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter((a) => a && a.family === "IPv4" && !a.internal)
    .map((a) => a.address);

const LOOPBACK = new Set(["127.0.0.1", "::1"]);

/**
 * What nobody else may know where others can reach the server: passwords of the demo's people made
 * up for this start, or, with none, the word in the link of a shop's first owner.
 */
export function secretsFor({ host }, people) {
  if (LOOPBACK.has(host)) return { passwords: null, word: "", env: {} };
  if (!people) {
    const word = randomBytes(12).toString("base64url");
    return { passwords: null, word, env: { DRAGONET_FIRST_OWNER: word } };
  }
  const passwords = Object.fromEntries(
    people.map(({ signIn }) => [signIn, randomBytes(9).toString("base64url")]),
  );
  return { passwords, word: "", env: { DRAGONET_DEMO_PASSWORDS: JSON.stringify(passwords) } };
}

export function announce({ port, host }, people, { passwords, word }, certificate) {
  const everywhere = host === "0.0.0.0";
  const [first, ...others] = everywhere ? ["127.0.0.1", ...ownAddresses()] : [host];
  const scheme = certificate ? "https" : "http";
  const lines = ["", `  Dragonet is ready:  ${scheme}://${first}:${port}`];
  for (const address of others) lines.push(`  On this network:    ${scheme}://${address}:${port}`);
  if (certificate) {
    lines.push(
      "",
      "  The certificate is of this shop's own authority, which each device is told once to trust:",
      `    open ${scheme}://${others[0] ?? first}:${port}/authority.crt there, past the warning, and`,
      "    install it as a certificate authority (phones: Settings, Security; then sign in as usual).",
      "    Before that, compare its SHA-256 fingerprint:",
      `    ${certificate.fingerprint.slice(0, 47)}`,
      `    ${certificate.fingerprint.slice(48)}`,
    );
  }
  lines.push("");
  if (people) {
    lines.push(
      passwords
        ? "  Demo shop, with passwords made for this start, since others can reach it. Sign in as"
        : "  Demo shop. Sign in as",
    );
    for (const p of people) {
      const password = passwords?.[p.signIn] ?? p.password;
      lines.push(`    ${p.signIn.padEnd(6)} password ${password}   ${p.name}, ${p.role}`);
    }
  } else if (word !== "") {
    lines.push("  If there is no owner yet, the first one comes by this link, once:");
    lines.push(`    ${scheme}://${others[0] ?? first}:${port}/?first=${word}`);
  } else {
    lines.push("  The first page asks for the first owner if there is none yet.");
  }
  lines.push("", "  Ctrl-C stops it.", "");
  process.stdout.write(`${lines.join("\n")}\n`);
}
