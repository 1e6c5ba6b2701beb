import { Navigate } from "react-router";
import { useJob } from "./store/jobStore.ts";

/** A job opens where its work stands. */
export function AtItsStage() {
  const { stage } = useJob().card;
  return <Navigate to={stage} replace />;
}
