/** The demo shop's people. All invented; the passwords are printed at every start of the demo. */
export const DEMO_SHOP_NAME = "Hollin Beck Lamp & Loom";

export const DEMO_PEOPLE = [
  { name: "Ansa Tordoff", signIn: "ansa", password: "lamp-and-loom", role: "owner" },
  { name: "Pim Okkerse", signIn: "pim", password: "lamp-and-loom", role: "installer" },
  { name: "Wren Dalby", signIn: "wren", password: "lamp-and-loom", role: "viewer" },
] as const;
