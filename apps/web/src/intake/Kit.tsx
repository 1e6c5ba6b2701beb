import { Plus } from "lucide-react";
import { Link } from "react-router";
import { append } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";

/** What should be in the box against what is, checked before the first panel comes off. */
export function Kit() {
  const job = useJob();
  const edit = useEdit();
  const missing = job.kit.filter((i) => i.inBox < i.needed).length;
  return (
    <Section
      title="Kit"
      about={
        job.kit.length === 0
          ? "Unbox it and check it against its list: what is not in the box stops the job at four o’clock."
          : missing === 0
            ? "All there."
            : `${missing} of ${job.kit.length} not complete.`
      }
      action={
        <>
          {job.runs.length === 0 && (
            <Link to="../circuit?begin=kit" className="touch mr-3 text-accent">
              Unbox a kit
            </Link>
          )}
          <Button
            look="quiet"
            onPressed={() =>
              edit([append(job, "kitItem", { id: mint("kit"), name: "", needed: 1, inBox: 0 })])
            }
          >
            <Plus size={15} aria-hidden /> Item
          </Button>
        </>
      }
    >
      {job.kit.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr>
              <th scope="col">Item</th>
              <th scope="col">Needed</th>
              <th scope="col">In the box</th>
              <th scope="col">
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {job.kit.map((item) => {
              const lacking = item.inBox < item.needed;
              const set = (field: "needed" | "inBox", value: number) =>
                edit([
                  { kind: "set", entity: "kitItem", id: item.id, field, value: Math.round(value) },
                ]);
              return (
                <tr key={item.id} className="border-b border-hair">
                  <td className="w-full py-1 pr-2 *:w-full">
                    <TextInput
                      label="Kit item"
                      value={item.name}
                      lines={1}
                      className="w-full"
                      onCommit={(value) =>
                        edit([
                          { kind: "set", entity: "kitItem", id: item.id, field: "name", value },
                        ])
                      }
                    />
                  </td>
                  <td className="pr-2">
                    <NumberInput
                      label={`${item.name} needed`}
                      value={item.needed}
                      max={9999}
                      className="w-14"
                      onCommit={(v) => set("needed", v)}
                    />
                  </td>
                  <td className="pr-2 whitespace-nowrap">
                    <NumberInput
                      label={`${item.name} in the box`}
                      value={item.inBox}
                      max={9999}
                      className="w-14"
                      onCommit={(v) => set("inBox", v)}
                    />
                    {lacking && <span className="ml-2 font-bold">missing</span>}
                  </td>
                  <td>
                    <RemoveButton
                      what={item.name}
                      onClick={() => edit([{ kind: "remove", entity: "kitItem", id: item.id }])}
                    />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </Section>
  );
}
