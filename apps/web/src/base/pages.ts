/** The pages that are reached from everywhere, in their order. */
export const PAGES = [
  { to: "/", label: "Board" },
  { to: "/calendar", label: "Calendar" },
  { to: "/shelf", label: "Shelf" },
  { to: "/vehicles", label: "Vehicles" },
  { to: "/training", label: "Training" },
  { to: "/figures", label: "Figures" },
  { to: "/settings", label: "Settings" },
] as const;
