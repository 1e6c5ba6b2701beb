import { useMutation, useQueryClient, type QueryKey } from "@tanstack/react-query";
import { ask } from "../base/api.ts";

/**
 * Something that is kept as a whole, changed a field at a time. A change is shown at once, so that the
 * next one stands on it and takes nothing of it back; they go to the server one after the other.
 * `shown` says how what is shown holds the value, where it is not the value itself.
 */
export function useReplaced<T>(
  path: string,
  key: QueryKey,
  shown: (before: unknown, value: T) => unknown = (_, value) => value,
) {
  const queries = useQueryClient();
  return useMutation({
    mutationKey: [path],
    scope: { id: path },
    mutationFn: (value: T) => ask(path, "PUT", value),
    onMutate: async (value) => {
      await queries.cancelQueries({ queryKey: key });
      queries.setQueryData(key, (before: unknown) => shown(before, value));
    },
    // Refused or taken: the last of them asks what is kept now.
    onSettled: () =>
      queries.isMutating({ mutationKey: [path] }) > 1
        ? undefined
        : queries.invalidateQueries({ queryKey: key }),
  });
}
