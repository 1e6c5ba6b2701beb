/** A store that is written at once, as browsers have it: what is in it are its own properties. */
export class AtOnce {
  getItem(name: string): string | null {
    return Object.hasOwn(this, name) ? String(Reflect.get(this, name)) : null;
  }
  setItem(name: string, value: string): void {
    Reflect.set(this, name, value);
  }
  removeItem(name: string): void {
    Reflect.deleteProperty(this, name);
  }
}
