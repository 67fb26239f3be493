import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { answer, api, type Problem, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { Fold } from "../shared/Fold";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** Who belongs to the groups of buyers that have prices of their own, and who asks to. */
export function GroupMembers() {
  const { shop, setup } = useBench();
  const { buyerGroups } = setup.goods;
  const [problems, setProblems] = useState<Problem[]>([]);
  const [added, setAdded] = useState<number>();
  const client = useQueryClient();
  const path = { shop };
  const key = ["members", shop];
  const listOf = (belongs: boolean) => ({
    queryKey: [...key, belongs],
    queryFn: () => answer(api.GET("/api/shops/{shop}/members", { params: { path, query: { belongs } } })),
  });
  const members = useQuery(listOf(true)).data ?? [];
  const asking = useQuery(listOf(false)).data ?? [];
  const settled = {
    onSuccess: () => {
      setProblems([]);
      return client.invalidateQueries({ queryKey: key });
    },
    onError: (reason: unknown) => setProblems(problemsOf(reason)),
  };
  const add = useMutation({
    mutationFn: (body: { group: string; emails: string }) =>
      answer(api.PUT("/api/shops/{shop}/members", { params: { path }, body })),
    ...settled,
  });
  const grant = useMutation({
    mutationFn: (email: string) =>
      answer(api.POST("/api/shops/{shop}/members/granted", { params: { path }, body: { email } })),
    ...settled,
  });
  const remove = useMutation({
    mutationFn: (email: string) =>
      answer(api.DELETE("/api/shops/{shop}/members", { params: { path, query: { email } } })),
    ...settled,
  });
  if (buyerGroups.length === 0 && members.length === 0 && asking.length === 0) return null;
  const nameOf = (id: string) => buyerGroups.find((group) => group.id === id)?.name ?? say("groupIsGone", { id });
  const day = new Intl.DateTimeFormat(readIn(setup.shop.language), {
    dateStyle: "medium",
    timeZone: setup.shop.timeZone,
  });
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const typed = new FormData(form);
    setAdded(undefined);
    add.mutate(
      { group: String(typed.get("group")), emails: String(typed.get("emails")) },
      {
        onSuccess: (after) => {
          setAdded(after.added);
          form.reset();
        },
      },
    );
  };
  return (
    <Fold
      title={say("groupsBuyers")}
      note={asking.length > 0 ? say("askingCount", { count: asking.length }) : ""}
      open={asking.length > 0}
    >
      <p className="max-w-3xl text-sm quiet">
        {say("groupMembersNote")}{" "}
        <Link className="underline" to={`/desk/${shop}/goods`}>
          {say("toGoodsStation")}
        </Link>
      </p>
      {asking.length > 0 && (
        <section aria-label={say("whoAsks")} className="mt-3 border-s-4 border-accent ps-3">
          <h3 className="text-sm font-semibold">{say("whoAsks")}</h3>
          {asking.map((each) => (
            <div key={each.email} className="border-b border-base-300 py-1">
              <p className="flex flex-wrap items-baseline gap-x-4">
                <span>{each.email}</span>
                <span className="quiet">
                  {nameOf(each.group)}, {day.format(new Date(each.since))}
                </span>
                <TextButton onClick={() => grant.mutate(each.email)}>{say("letIn")}</TextButton>
                <TextButton onClick={() => remove.mutate(each.email)}>{say("turnDown")}</TextButton>
              </p>
              {each.note && <p className="text-sm quiet">“{each.note}”</p>}
            </div>
          ))}
        </section>
      )}
      {members.length > 0 && (
        <table className="mt-3 w-full max-w-3xl">
          <thead>
            <tr className="border-b border-base-300 text-start text-xs">
              {[say("headBuyer"), say("groupField"), say("cameBy")].map((head) => (
                <th key={head} scope="col" className="py-1 text-start font-normal quiet">
                  {head}
                </th>
              ))}
              <td />
            </tr>
          </thead>
          <tbody>
            {members.map((each) => (
              <tr key={each.email} className="border-b border-base-300 align-baseline">
                <td className="py-1">{each.email}</td>
                <td>{nameOf(each.group)}</td>
                <td className="quiet">
                  {each.cameBy === "code"
                    ? say("byCode")
                    : each.cameBy === "request"
                      ? say("byRequest")
                      : say("byList")}
                </td>
                <td className="ps-4 text-end">
                  <TextButton onClick={() => remove.mutate(each.email)}>{say("takeOut")}</TextButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {buyerGroups.length > 0 && (
        <form onSubmit={submit} className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
          <label className="w-full max-w-xl">
            <span className="block text-xs quiet">{say("pasteAddresses")}</span>
            <textarea name="emails" required rows={2} className="textarea w-full" />
          </label>
          <label>
            <span className="block text-xs quiet">{say("groupField")}</span>
            <select name="group" className="inplace">
              {buyerGroups.map((group) => (
                <option key={group.id} value={group.id}>
                  {group.name}
                </option>
              ))}
            </select>
          </label>
          <button type="submit" className="btn btn-sm" disabled={add.isPending}>
            {say("putIn")}
          </button>
        </form>
      )}
      {added !== undefined && <p role="status">{say("membersAdded", { count: added })}</p>}
      <Said problems={problems} />
    </Fold>
  );
}
