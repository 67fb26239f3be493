import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** The vouchers an order brought, what is left of them, and how to send one again, to another address too. */
export function OrderVouchers({ order, shop }: { order: WholeOrder; shop: string }) {
  const { setup } = useBench();
  const [open, setOpen] = useState<number>();
  const [sent, setSent] = useState(false);
  const language = readIn(setup.shop.language);
  const format = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: "UTC" });
  const day = (date: string) => format.format(new Date(`${date}T00:00:00Z`));
  const amount = (value: string) => money(value, order.currency, language);
  return (
    <section aria-label={say("vouchersOfOrder")} className="mb-6">
      <h2 className="mb-1">{say("vouchersOfOrder")}</h2>
      {order.vouchers.map((voucher) => (
        <div key={voucher.id} className="border-b border-base-300 py-1">
          <p className="flex flex-wrap justify-between gap-x-4">
            <span className="font-mono">{voucher.code}</span>
            <span className="figure">
              {voucher.ended
                ? say("voucherIsEnded")
                : say("leftOfWorth", {
                    left: amount(voucher.left),
                    worth: amount(voucher.worth),
                    until: day(voucher.validUntil),
                  })}
            </span>
          </p>
          {!voucher.ended && (
            <p className="text-xs">
              <span className="quiet">
                {say(voucher.told ? "voucherWentTo" : "voucherGoesTo", {
                  name: voucher.name,
                  email: voucher.email,
                  day: day(voucher.sendOn),
                })}
              </span>{" "}
              <TextButton onClick={() => setOpen(open === voucher.id ? undefined : voucher.id)}>
                {say("sendVoucherAgain")}
              </TextButton>
            </p>
          )}
          {open === voucher.id && (
            <SendAgain
              order={order}
              shop={shop}
              voucher={voucher}
              done={() => {
                setOpen(undefined);
                setSent(true);
              }}
            />
          )}
        </div>
      ))}
      {sent && (
        <p role="status" className="text-xs">
          {say("voucherSentAgain")}
        </p>
      )}
    </section>
  );
}

interface SendAgainProps {
  order: WholeOrder;
  shop: string;
  voucher: WholeOrder["vouchers"][number];
  done: () => void;
}

function SendAgain({ order, shop, voucher, done }: SendAgainProps) {
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const fields = new FormData(event.currentTarget);
    const path = { shop, number: order.number, voucher: voucher.id };
    const body = { name: String(fields.get("name")), email: String(fields.get("email")) };
    const call = api.POST("/api/shops/{shop}/orders/{number}/vouchers/{voucher}", { params: { path }, body });
    await answer(call).then(
      () => {
        done();
        void client.invalidateQueries({ queryKey: ["order", shop, order.number] });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <form className="my-2 flex flex-wrap items-end gap-3" onSubmit={send}>
      <label>
        <span className="block text-xs quiet">{say("whoGetsVoucher")}</span>
        <input name="name" className="inplace w-40" defaultValue={voucher.name} maxLength={200} required />
      </label>
      <label>
        <span className="block text-xs quiet">{say("emailOfWhoGetsVoucher")}</span>
        <input name="email" type="email" className="inplace w-56" defaultValue={voucher.email} required />
      </label>
      <button type="submit" className="btn btn-sm">
        {say("sendIt")}
      </button>
      <Said problems={problems} />
    </form>
  );
}
