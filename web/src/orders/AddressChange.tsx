import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, problemsOf, type WholeOrder } from "../api/client";
import { Said } from "../shared/Said";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

interface Props {
  shop: string;
  order: WholeOrder;
}

/** Another address for an order that has not left. */
export function AddressChange({ shop, order }: Props) {
  const [open, setOpen] = useState(false);
  const client = useQueryClient();
  const save = useMutation({
    mutationFn: (body: { name: string; lines: string[]; city: string; postcode: string; region?: string }) =>
      answer(
        api.PUT("/api/shops/{shop}/orders/{number}/address", {
          params: { path: { shop, number: order.number } },
          body,
        }),
      ),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ["order", shop] });
      setOpen(false);
    },
  });
  if (order.sent !== "no" || order.cancelledAt || !order.quote.needsDelivery) return null;
  if (!open) return <TextButton onClick={() => setOpen(true)}>{say("changeAddress")}</TextButton>;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const typed = new FormData(event.currentTarget);
    const of = (field: string) => String(typed.get(field) ?? "");
    save.mutate({
      name: of("name"),
      lines: of("lines").split("\n"),
      city: of("city"),
      postcode: of("postcode"),
      ...(order.address.region ? { region: order.address.region } : {}),
    });
  };
  return (
    <form onSubmit={submit} className="my-2 grid max-w-md gap-2 border-s-4 border-accent ps-3">
      <p className="text-sm quiet">{say("changeAddressNote")}</p>
      <label>
        <span className="block text-xs quiet">{say("receivedBy")}</span>
        <input
          name="name"
          required
          maxLength={200}
          className="inplace w-full"
          defaultValue={order.receiver ?? order.name}
          autoFocus
        />
      </label>
      <label>
        <span className="block text-xs quiet">{say("street")}</span>
        <textarea
          name="lines"
          required
          rows={2}
          maxLength={500}
          className="textarea w-full"
          defaultValue={order.address.lines.join("\n")}
        />
      </label>
      <div className="grid grid-cols-[1fr_2fr] gap-4">
        <label>
          <span className="block text-xs quiet">{say("postcode")}</span>
          <input name="postcode" maxLength={20} className="inplace w-full" defaultValue={order.address.postcode} />
        </label>
        <label>
          <span className="block text-xs quiet">{say("town")}</span>
          <input name="city" required maxLength={200} className="inplace w-full" defaultValue={order.address.city} />
        </label>
      </div>
      {save.isError && <Said problems={problemsOf(save.error)} />}
      <p className="flex gap-4">
        <button type="submit" className="btn btn-sm" disabled={save.isPending}>
          {say("saveAddress")}
        </button>
        <TextButton onClick={() => setOpen(false)}>{say("keepAddress")}</TextButton>
      </p>
    </form>
  );
}
