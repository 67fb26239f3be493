import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf } from "../api/client";
import { Said } from "../shared/Said";
import { useSay } from "./phrases";

interface Props {
  shop: string;
  language: string;
}

/** The group of buyers somebody belongs to; or its code, or a question to the seller, to come into one. */
export function OwnGroup({ shop, language }: Props) {
  const say = useSay();
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const params = { path: { shop } };
  const key = ["me", shop, "group"];
  const group = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/counter/{shop}/me/group", { params })),
  });
  if (!group.data) return null;
  const { name, asked, open, byCode } = group.data;
  if (name) return <p className="mt-4">{say("inGroup", { group: name })}</p>;
  if (asked) return <p className="mt-4">{say("askedForGroup", { group: asked })}</p>;
  const send = (body: { code?: string; group?: string; note?: string }) =>
    void answer(
      api.POST("/api/counter/{shop}/me/group", {
        params,
        body: { code: "", group: "", note: "", ...body, language },
      }),
    ).then(
      (after) => {
        setProblems([]);
        client.setQueryData(key, after);
        // The shop has other prices now.
        void client.invalidateQueries({ queryKey: ["counter", shop] });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const typed = (event: FormEvent<HTMLFormElement>, field: string): string => {
    event.preventDefault();
    return String(new FormData(event.currentTarget).get(field) ?? "").trim();
  };
  return (
    <>
      {byCode && (
        <form className="mt-8 flex items-end gap-2" onSubmit={(event) => send({ code: typed(event, "code") })}>
          <label className="min-w-0 flex-1">
            <span className="mb-1 block text-xs quiet">{say("groupCode")}</span>
            <input name="code" required maxLength={60} autoComplete="off" className="input w-full text-base" />
          </label>
          <button type="submit" className="btn">
            {say("useCode")}
          </button>
        </form>
      )}
      {open.map((each) => (
        <form key={each.id} className="mt-4" onSubmit={(event) => send({ group: each.id, note: typed(event, "note") })}>
          <label className="block">
            <span className="mb-1 block text-xs quiet">{say("askForGroupNote", { group: each.name })}</span>
            <input name="note" maxLength={500} className="input w-full text-base" />
          </label>
          <button type="submit" className="btn mt-2">
            {say("askForGroup", { group: each.name })}
          </button>
        </form>
      ))}
      <Said problems={problems} />
    </>
  );
}
