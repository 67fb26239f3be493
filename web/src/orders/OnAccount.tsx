import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { answer, api, type Problem, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { Fold } from "../shared/Fold";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** Whom the shop lets pay on account, besides businesses whose tax number is confirmed. */
export function OnAccount() {
  const { shop, setup } = useBench();
  const { currency } = setup.shop;
  const [problems, setProblems] = useState<Problem[]>([]);
  const client = useQueryClient();
  const path = { shop };
  const key = ["credits", shop];
  const list = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/credits", { params: { path } })),
  });
  const settled = {
    onSuccess: () => {
      setProblems([]);
      return client.invalidateQueries({ queryKey: key });
    },
    onError: (reason: unknown) => setProblems(problemsOf(reason)),
  };
  const give = useMutation({
    mutationFn: (body: { email: string; limit?: string }) =>
      answer(api.PUT("/api/shops/{shop}/credits", { params: { path }, body })),
    ...settled,
  });
  const take = useMutation({
    mutationFn: (email: string) =>
      answer(api.DELETE("/api/shops/{shop}/credits", { params: { path, query: { email } } })),
    ...settled,
  });
  const add = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const typed = new FormData(form);
    const limit = String(typed.get("limit")).trim().replace(",", ".");
    give.mutate(
      { email: String(typed.get("email")).trim(), ...(limit ? { limit } : {}) },
      { onSuccess: () => form.reset() },
    );
  };
  const known = list.data ?? [];
  const offered = setup.payment.methods.some((method) => method.kind === "on-account");
  if (!offered && known.length === 0) return null;
  const language = readIn(setup.shop.language);
  return (
    <Fold title={say("letPayLater")} note={known.length > 0 ? String(known.length) : ""}>
      <p className="max-w-3xl text-sm quiet">
        {say("letPayLaterNote")}
        {!offered && (
          <>
            {" "}
            {say("noWayOnAccount")}{" "}
            <Link className="underline" to={`/desk/${shop}/payment`}>
              {say("toPaymentStation")}
            </Link>
          </>
        )}
      </p>
      {list.isSuccess && known.length === 0 && <p className="mt-2">{say("nobodyOnAccountYet")}</p>}
      {known.length > 0 && (
        <table className="mt-2 w-full max-w-2xl">
          <thead>
            <tr className="border-b border-base-300 text-start text-xs">
              <th scope="col" className="py-1 text-start font-normal quiet">
                {say("headBuyer")}
              </th>
              <th scope="col" className="text-end font-normal quiet">
                {say("mayOweUpToNow")}
              </th>
              <td />
            </tr>
          </thead>
          <tbody>
            {known.map((each) => (
              <tr key={each.email} className="border-b border-base-300 align-baseline">
                <td className="py-1">{each.email}</td>
                <td className="figure text-end">
                  {each.limit ? money(each.limit, each.currency, language) : say("asWayToPaySays")}
                  {each.limit && each.currency !== currency && (
                    <span className="block text-xs text-warning">
                      {say("limitsInOldCurrency", { currency: each.currency })}
                    </span>
                  )}
                </td>
                <td className="ps-4 text-end">
                  <TextButton onClick={() => take.mutate(each.email)}>{say("letNoMore")}</TextButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <form onSubmit={add} className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
        <label>
          <span className="block text-xs quiet">{say("email")}</span>
          <input name="email" type="email" required maxLength={254} className="inplace w-72" />
        </label>
        <label>
          <span className="block text-xs quiet">{say("mayOweUpTo", { currency })}</span>
          <input
            name="limit"
            inputMode="decimal"
            maxLength={12}
            placeholder={say("asWayToPaySays")}
            className="inplace w-48"
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={give.isPending}>
          {say("letPayLater")}
        </button>
      </form>
      <Said problems={problems} />
    </Fold>
  );
}
