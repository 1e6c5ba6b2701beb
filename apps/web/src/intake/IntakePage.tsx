import { useCanEdit } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { ConnectorMap } from "../vehicles/wiring/ConnectorMap.tsx";
import { AllFacts } from "./AllFacts.tsx";
import { Blockers } from "./Blockers.tsx";
import { JobCardFields } from "./JobCardFields.tsx";
import { Kit } from "./Kit.tsx";
import { WhatMatters } from "./WhatMatters.tsx";
import { Wishes } from "./Wishes.tsx";

/** Ask and look: what is wanted, what came in the box, what the vehicle is electrically. */
export function IntakePage() {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  return (
    <fieldset disabled={!canEdit} className="mx-auto w-full max-w-7xl min-w-0 p-4">
      <legend className="sr-only">Intake</legend>
      <div className="grid grid-cols-1 gap-x-10 lg:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
        <div>
          <Wishes />
          <Kit />
          <Blockers />
          <JobCardFields />
        </div>
        <div>
          <WhatMatters job={job} edit={edit} canEdit={canEdit} />
          <AllFacts job={job} edit={edit} canEdit={canEdit} />
        </div>
      </div>
      <ConnectorMap job={job} edit={edit} canEdit={canEdit} />
    </fieldset>
  );
}
