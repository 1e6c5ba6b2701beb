/**
 * A certificate authority of the shop's own, and a certificate of it for this machine's names:
 * what `npm start -- --https` serves with, so that phones keep the application and the line is
 * closed to listeners. Made by a registry library, kept in the data folder.
 */
import "reflect-metadata";
import { webcrypto } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { hostname } from "node:os";
import { isIP } from "node:net";
import { join } from "node:path";
import * as x509 from "@peculiar/x509";

x509.cryptoProvider.set(webcrypto);

const CURVE = { name: "ECDSA", namedCurve: "P-256", hash: "SHA-256" };
const DAY_MS = 24 * 3600 * 1000;
/** Some devices take no certificate of a server that lasts longer than 398 days. */
const SERVER_DAYS = 397;
const AUTHORITY_DAYS = 3650;
/** Made anew so long before it ends. */
const RENEW_DAYS = 30;

const serial = () => Buffer.from(webcrypto.getRandomValues(new Uint8Array(15))).toString("hex");
const keys = () => webcrypto.subtle.generateKey(CURVE, true, ["sign", "verify"]);

async function pemOfKey(key) {
  const bytes = await webcrypto.subtle.exportKey("pkcs8", key);
  return x509.PemConverter.encode(bytes, "PRIVATE KEY");
}

const keyOfPem = (pem) =>
  webcrypto.subtle.importKey("pkcs8", x509.PemConverter.decodeFirst(pem), CURVE, true, ["sign"]);

/** Today, a day early for clocks that run behind, until so many days from now. */
const lasting = (days) => ({
  notBefore: new Date(Date.now() - DAY_MS),
  notAfter: new Date(Date.now() + days * DAY_MS),
});

async function makeAuthority(files) {
  const pair = await keys();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Dragonet authority of ${hostname().replaceAll(/[^\w.-]/g, "-")}`,
    ...lasting(AUTHORITY_DAYS),
    keys: pair,
    signingAlgorithm: CURVE,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(
        x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign,
        true,
      ),
      await x509.SubjectKeyIdentifierExtension.create(pair.publicKey),
    ],
  });
  writeFileSync(files.authorityKey, await pemOfKey(pair.privateKey), { mode: 0o600 });
  writeFileSync(files.authority, certificate.toString("pem"));
}

async function makeServer(files, names) {
  const authority = new x509.X509Certificate(readFileSync(files.authority, "utf8"));
  const pair = await keys();
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0]}`,
    issuer: authority.subject,
    ...lasting(SERVER_DAYS),
    signingKey: await keyOfPem(readFileSync(files.authorityKey, "utf8")),
    publicKey: pair.publicKey,
    signingAlgorithm: CURVE,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) === 0 ? "dns" : "ip", value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(authority.publicKey),
      await x509.SubjectKeyIdentifierExtension.create(pair.publicKey),
    ],
  });
  writeFileSync(files.key, await pemOfKey(pair.privateKey), { mode: 0o600 });
  writeFileSync(files.certificate, certificate.toString("pem"));
}

/** Whether the certificate of a server is of the authority, lasts, and has all the names. */
function serves(files, names) {
  if (![files.key, files.certificate].every((file) => existsSync(file))) return false;
  const certificate = new x509.X509Certificate(readFileSync(files.certificate, "utf8"));
  const authority = new x509.X509Certificate(readFileSync(files.authority, "utf8"));
  const has = certificate.getExtension(x509.SubjectAlternativeNameExtension)?.names.toJSON() ?? [];
  return (
    certificate.issuer === authority.subject &&
    certificate.notAfter.getTime() - Date.now() > RENEW_DAYS * DAY_MS &&
    names.every((name) => has.some(({ value }) => value === name))
  );
}

/** SHA-256 of the authority as devices show it: pairs of digits with colons. */
async function fingerprintOf(file) {
  const certificate = new x509.X509Certificate(readFileSync(file, "utf8"));
  const bytes = Buffer.from(await certificate.getThumbprint("SHA-256"));
  return bytes.toString("hex").toUpperCase().match(/../g).join(":");
}

/**
 * The folder's authority and certificate, made where they are missing, run out, or lack a name.
 *
 * @param folder where they are kept, keys readable by their owner alone
 * @param addresses addresses of this machine, beside its name and localhost
 */
export async function ensureCertificate(folder, addresses) {
  const files = {
    authority: join(folder, "authority.crt"),
    authorityKey: join(folder, "authority.key"),
    certificate: join(folder, "server.crt"),
    key: join(folder, "server.key"),
  };
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (![files.authority, files.authorityKey].every((file) => existsSync(file))) {
    await makeAuthority(files);
  }
  const name = hostname().toLowerCase();
  const own = name === "localhost" || isIP(name) !== 0 ? [] : [name, `${name}.local`];
  const names = [...new Set(["localhost", ...own, "127.0.0.1", "::1", ...addresses])];
  if (!serves(files, names)) await makeServer(files, names);
  return { ...files, names, fingerprint: await fingerprintOf(files.authority) };
}
