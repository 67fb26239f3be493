import { type FormEvent, useState } from "react";
import { answer, api, type WholeOrder } from "../api/client";
import { countriesIn } from "../shared/named";
import { useRegions } from "../shared/PlacesField";
import { deskLocale, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { Repricing, useRepricing } from "./Repricing";

interface Props {
  shop: string;
  order: WholeOrder;
}

interface Address {
  name: string;
  lines: string[];
  city: string;
  postcode: string;
  country: string;
  region?: string;
}

/** Another address for an order that has not left. */
export function AddressChange({ shop, order }: Props) {
  const [open, setOpen] = useState(false);
  const [country, setCountry] = useState(order.address.country);
  const change = useRepricing(
    shop,
    (body: Address, look) =>
      answer(
        api.PUT("/api/shops/{shop}/orders/{number}/address", {
          params: { path: { shop, number: order.number }, query: { look } },
          body,
        }),
      ),
    () => setOpen(false),
  );
  if (order.sent !== "no" || order.cancelledAt || !order.quote.needsDelivery) return null;
  if (!open) return <TextButton onClick={() => setOpen(true)}>{say("changeAddress")}</TextButton>;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const typed = new FormData(event.currentTarget);
    const of = (field: string) => String(typed.get(field) ?? "");
    change.look({
      name: of("name"),
      lines: of("lines").split("\n"),
      city: of("city"),
      postcode: of("postcode"),
      country: of("country"),
      ...(of("region") ? { region: of("region") } : {}),
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
      <div className="grid grid-cols-[2fr_1fr] gap-4">
        <label>
          <span className="block text-xs quiet">{say("country")}</span>
          <select
            name="country"
            className="inplace w-full"
            value={country}
            onChange={(event) => setCountry(event.target.value)}
          >
            {countriesIn(deskLocale()).map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <Region country={country} region={order.address.region ?? ""} />
      </div>
      <Repricing change={change} paid={order.standing.startsWith("paid")} />
      <p className="flex gap-4">
        <button type="submit" className="btn btn-sm" disabled={change.busy}>
          {say("saveAddress")}
        </button>
        <TextButton onClick={() => setOpen(false)}>{say("keepAddress")}</TextButton>
      </p>
    </form>
  );
}

/** The region of a country that has some; what the country has not is left away. */
function Region({ country, region }: { country: string; region: string }) {
  const regions = useRegions(country);
  if (regions.length === 0) return null;
  return (
    <label>
      <span className="block text-xs quiet">{say("regionField")}</span>
      <select
        key={country}
        name="region"
        className="inplace w-full"
        defaultValue={region.startsWith(`${country}-`) ? region : ""}
      >
        <option value="">{say("none")}</option>
        {regions.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
    </label>
  );
}
