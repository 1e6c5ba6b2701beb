/** What comes of asking again and again until it is something. */
export async function until<T>(ask: () => Promise<T | false>): Promise<T> {
  for (;;) {
    const told = await ask();
    if (told !== false) return told;
    await new Promise((done) => setTimeout(done, 200));
  }
}
