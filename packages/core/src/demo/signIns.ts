/** Who signs in to the demo shop, all invented; the start prints them, so that this file imports nothing. */
export const DEMO_PEOPLE = [
  { name: "Ansa Tordoff", signIn: "ansa", password: "lamp-and-loom", role: "owner" },
  { name: "Pim Okkerse", signIn: "pim", password: "lamp-and-loom", role: "installer" },
  { name: "Wren Dalby", signIn: "wren", password: "lamp-and-loom", role: "viewer" },
] as const;
