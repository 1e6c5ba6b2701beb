import { present } from "@dragonet/core";
import { ApiError, send } from "../base/api.ts";
import { createStore, del, get, keys, set } from "idb-keyval";

/**
 * Pictures that the server has not taken yet, kept in the browser's own store: a phone at
 * the lift loses its network, not its pictures.
 */
const store = createStore("dragonet-photos", "waiting");
const keyOf = (jobId: string, photoId: string): string => `${jobId}/${photoId}`;

/** Longest edge that is sent, and how hard it is squeezed. */
const LONGEST_EDGE = 1600;
const QUALITY = 0.85;

/** Drawn anew, so that it is small and carries nothing but its pixels. */
export async function redrawn(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
  const share = Math.min(1, LONGEST_EDGE / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(picture.width * share)),
    Math.max(1, Math.round(picture.height * share)),
  );
  present(canvas.getContext("2d"), "a canvas to draw on").drawImage(
    picture,
    0,
    0,
    canvas.width,
    canvas.height,
  );
  picture.close();
  return canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
}

export const keepWaiting = (jobId: string, photoId: string, picture: Blob): Promise<void> =>
  set(keyOf(jobId, photoId), picture, store);

export const waitingPhoto = (jobId: string, photoId: string): Promise<Blob | undefined> =>
  get<Blob>(keyOf(jobId, photoId), store);

/** What the server would not have, and why. */
export interface Refused {
  readonly key: string;
  readonly message: string;
}

let sending: Promise<Refused[]> | null = null;

async function sendAll(): Promise<Refused[]> {
  const refused: Refused[] = [];
  for (const key of await keys<string>(store)) {
    const picture = await get<Blob>(key, store);
    if (!picture) continue;
    const [jobId = "", photoId = ""] = key.split("/");
    try {
      await send(`jobs/${jobId}/photos/${photoId}`, "PUT", picture, picture.type);
      await del(key, store);
    } catch (error) {
      if (!(error instanceof ApiError)) return refused;
      const { status, message } = error;
      if (status >= 500 || status === 401 || status === 429) continue;
      refused.push({ key, message });
      await del(key, store);
    }
  }
  return refused;
}

/** Sends what waits, one after the other; what cannot be sent goes on waiting. */
export function sendWaiting(): Promise<Refused[]> {
  sending ??= sendAll().finally(() => {
    sending = null;
  });
  return sending;
}
