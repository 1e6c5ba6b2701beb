/** Tries a minute from one address before it has to wait. Tests that need more say so. */
export const SIGN_IN_LIMIT = {
  limit: () => Number(process.env.DRAGONET_SIGN_IN_LIMIT ?? 10),
  ttl: 60_000,
};
