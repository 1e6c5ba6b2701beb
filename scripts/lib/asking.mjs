/** Asking a server of the demo shop as a page does, one question after the other. */
import { Failure } from "./fail.mjs";

/** Who measures. */
export const INSTALLER = { signIn: "pim", password: "lamp-and-loom" };

/** Signs the installer of the demo shop in: the session's cookie. */
export async function cookieOf(url) {
  const answer = await fetch(`${url}/api/session`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(INSTALLER),
  });
  if (!answer.ok) throw new Failure(`signing in was answered with ${answer.status}`);
  return String(answer.headers.get("set-cookie")).split(";")[0];
}

/** From asking to the whole answer, in ms. */
export async function askedMs(url, path, cookie) {
  const began = performance.now();
  const answer = await fetch(url + path, { headers: { cookie } });
  if (!answer.ok) throw new Failure(`${path} was answered with ${answer.status}`);
  await answer.arrayBuffer();
  return performance.now() - began;
}
