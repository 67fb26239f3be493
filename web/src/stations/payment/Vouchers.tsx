import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { money } from "../../shared/money";
import { Said } from "../../shared/Said";
import { readIn, say } from "../../shared/say";

/** Vouchers with their balances. A buyer types one where codes go; what it does not cover is paid another way. */
export function Vouchers() {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const key = ["vouchers", shop];
  const path = { params: { path: { shop } } };
  const vouchers = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/vouchers", path)) });
  const owed = useQuery({
    queryKey: [...key, "outstanding"],
    queryFn: () => answer(api.GET("/api/shops/{shop}/vouchers/outstanding", path)),
  });
  const language = readIn(setup.shop.language);
  const format = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: "UTC" });
  const day = (date: string) => format.format(new Date(`${date}T00:00:00Z`));
  const [problems, setProblems] = useState<Problem[]>([]);
  const issue = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const fields = new FormData(form);
    const body = {
      code: String(fields.get("code")),
      currency: setup.shop.currency,
      amount: String(fields.get("amount")).trim().replace(",", "."),
    };
    await answer(api.POST("/api/shops/{shop}/vouchers", { ...path, body })).then(
      () => {
        form.reset();
        setProblems([]);
        void client.invalidateQueries({ queryKey: key });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <section aria-label={say("vouchers")}>
      <h2 className="text-base">{say("vouchers")}</h2>
      {vouchers.data?.length === 0 && <p className="quiet">{say("noneVoucherPaysAllOr")}</p>}
      {owed.data?.map((each) => (
        <p key={each.currency + each.mode} className="mb-1">
          {say("outstandingVouchers", {
            amount: money(each.balance, each.currency, language),
            vouchers: each.vouchers,
          })}
          {each.mode === "test" && <span className="quiet"> {say("outstandingInPractice")}</span>}
        </p>
      ))}
      <ul className="max-h-48 overflow-y-auto">
        {vouchers.data?.map((voucher) => (
          <li key={voucher.code} className="flex justify-between gap-4 border-b border-base-300 py-1">
            <span>
              <span className="font-mono">{voucher.code}</span>{" "}
              <span className="text-xs quiet">
                {voucher.sold ? say("soldVoucher") : say("givenVoucher")}
                {voucher.until && ` ${say("validUntilDay", { day: day(voucher.until) })}`}
              </span>
            </span>
            <span className="figure">
              {money(voucher.balance, voucher.currency, language)}
              <span className="quiet">
                {" "}
                {say("ofIssued", { issued: money(voucher.issued, voucher.currency, language) })}
              </span>
            </span>
          </li>
        ))}
      </ul>
      <form className="mt-2 flex items-end gap-3" onSubmit={issue}>
        <label>
          <span className="block text-xs quiet">{say("worth", { currency: setup.shop.currency })}</span>
          <input name="amount" className="inplace w-20 font-mono" required />
        </label>
        <label>
          <span className="block text-xs quiet">{say("code")}</span>
          <input name="code" className="inplace w-40 font-mono uppercase" placeholder={say("madeForYou")} />
        </label>
        <button type="submit" className="btn btn-sm">
          {say("issue")}
        </button>
      </form>
      <Said problems={problems} />
    </section>
  );
}
