import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { PersonAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { useCurrentUser, type Role } from "../../base/session.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { FormField } from "../../ui/forms/FormField.tsx";
import { NewPassword } from "../../ui/forms/NewPassword.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Loading, Trouble } from "../../ui/page/states.tsx";

interface Fields {
  name: string;
  signIn: string;
  password: string;
}

/** People of one page of the server's; fewer say that there are no more. */
const PAGE = 50;

const ROLE_OPTIONS: readonly { readonly value: Role; readonly label: string }[] = [
  { value: "owner", label: "owner: everything" },
  { value: "installer", label: "installer: all but people" },
  { value: "viewer", label: "viewer: may look" },
];

function NewPerson({ open, onClose }: { open: boolean; onClose: () => void }) {
  const queries = useQueryClient();
  const [role, setRole] = useState<Role>("installer");
  const form = useForm<Fields>();
  const { register, handleSubmit, formState, reset } = form;
  const add = useMutation({
    mutationFn: (fields: Fields) => ask("people", "POST", { ...fields, role }),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["people"] });
      reset();
      onClose();
    },
  });
  const { errors } = formState;
  return (
    <Modal open={open} onClose={onClose} title="New person">
      <form
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(e) => void handleSubmit((f) => add.mutate(f))(e)}
      >
        <FormField
          label="Name"
          wrong={errors.name?.message}
          {...register("name", { required: "The name is empty." })}
        />
        <FormField
          label="Sign-in"
          hint="2 to 40 of a–z, 0–9, dot, dash, underscore"
          wrong={errors.signIn?.message}
          {...register("signIn", { required: "The sign-in is empty." })}
        />
        <NewPassword form={form} name="password" />
        <Choice label="Role" value={role} options={ROLE_OPTIONS} onChange={setRole} />
        {add.error && (
          <p role="alert" className="font-bold">
            {add.error.message}
          </p>
        )}
        <Button look="main" type="submit" disabled={add.isPending}>
          Add person
        </Button>
      </form>
    </Modal>
  );
}

/** Who may sign in, and what they may do. Owners only. */
export function People() {
  const me = useCurrentUser();
  const queries = useQueryClient();
  const [adding, setAdding] = useState(false);
  const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["people"],
    initialPageParam: "",
    queryFn: ({ pageParam }) =>
      ask<PersonAnswer[]>(pageParam === "" ? "people" : `people?after=${pageParam}`),
    getNextPageParam: (last) => (last.length < PAGE ? null : (last.at(-1)?.id ?? null)),
  });
  const change = useMutation({
    mutationFn: ({ id, ...what }: { id: string; role?: Role; active?: boolean }) =>
      ask(`people/${id}`, "PATCH", what),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["people"] }),
  });
  return (
    <Section
      title="People"
      action={
        <Button look="quiet" onClick={() => setAdding(true)}>
          New person
        </Button>
      }
    >
      {error && <Trouble error={error} />}
      {change.error && <Trouble error={change.error} />}
      {!data && !error && <Loading what="people" />}
      <ul>
        {(data?.pages.flat() ?? []).map((p) => (
          <li key={p.id} className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
            <span className="w-40">
              {p.name}
              <span className="block text-small text-muted">{p.signIn}</span>
            </span>
            <Choice
              label={`Role of ${p.name}`}
              value={p.role}
              className="w-52"
              options={ROLE_OPTIONS}
              onChange={(role) => change.mutate({ id: p.id, role })}
            />
            {p.id !== me.id && (
              <Button look="quiet" onClick={() => change.mutate({ id: p.id, active: !p.active })}>
                {p.active ? "Close sign-in" : "Open sign-in"}
              </Button>
            )}
            {!p.active && <span className="font-bold">closed</span>}
          </li>
        ))}
      </ul>
      {hasNextPage && (
        <Button look="quiet" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          More people
        </Button>
      )}
      <NewPerson open={adding} onClose={() => setAdding(false)} />
    </Section>
  );
}
