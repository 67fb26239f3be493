import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { ApiProblem, answer, api, type Problem, problemsOf } from "../api/client";
import { money } from "../shared/money";
import { countryName } from "../shared/places";
import { Said } from "../shared/Said";
import { TextButton } from "../shared/TextButton";
import { keptOf, rekeep } from "./basket";
import { OwnGroup } from "./OwnGroup";
import { directionOf, SayProvider, useCatalogue, useSay } from "./phrases";
import { chosen } from "./Speaking";

/** A buyer's own page: signing in by a mailed link, orders, addresses. */
export function MyOrders() {
  const { shop = "" } = useParams();
  const language = chosen(shop).language ?? navigator.language;
  // Only for the name: a closed shop keeps its buyers' pages open.
  const counter = useQuery({
    queryKey: ["counter", shop, { language }],
    queryFn: () => answer(api.GET("/api/counter/{shop}", { params: { path: { shop }, query: { language } } })),
  });
  useEffect(() => {
    document.documentElement.lang = language;
    document.documentElement.dir = directionOf(language);
  }, [language]);
  const say = useCatalogue(language, counter.data?.phrases);
  if (!say) return null;
  return (
    <SayProvider value={say}>
      <Page shop={shop} name={counter.data?.name} language={language} />
    </SayProvider>
  );
}

interface PageProps {
  shop: string;
  language: string;
}

function Page({ shop, name, language }: PageProps & { name: string | undefined }) {
  const say = useSay();
  const client = useQueryClient();
  const [search, setSearch] = useSearchParams();
  const [problems, setProblems] = useState<Problem[]>([]);
  const mailed = search.get("key");
  const entering = useRef("");
  const path = { params: { path: { shop } } };
  const key = ["me", shop];
  const me = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/counter/{shop}/me", path)),
    enabled: !mailed,
  });
  useEffect(() => {
    if (!mailed || entering.current === mailed) return;
    entering.current = mailed;
    answer(api.POST("/api/counter/{shop}/me/session", { params: { path: { shop } }, body: { key: mailed } }))
      .catch((reason: unknown) => setProblems(problemsOf(reason)))
      .then(() => {
        void client.invalidateQueries({ queryKey: ["counter", shop] });
        setSearch({}, { replace: true });
      });
  }, [mailed, shop, setSearch, client]);
  const leave = () =>
    void answer(api.DELETE("/api/counter/{shop}/me", path)).then(() => {
      // Prices may have been those of a group.
      void client.invalidateQueries({ queryKey: ["counter", shop] });
      return client.resetQueries({ queryKey: key });
    });
  const outside = me.isError && me.error instanceof ApiProblem && me.error.status === 401;
  return (
    <main className="mx-auto max-w-2xl px-5 py-6">
      <p>
        <Link className="underline" to={`/counter/${shop}`}>
          {say("toShop")}
        </Link>
      </p>
      {name && <p className="mt-3 font-head text-xl font-bold">{name}</p>}
      <h1 className="mt-2 mb-3 text-2xl">{say("myOrders")}</h1>
      {mailed && <p role="status">{say("openingOrders")}</p>}
      <Said problems={problems} />
      {me.isError && !outside && <Said problems={problemsOf(me.error)} />}
      {outside && <AskForLink shop={shop} language={language} />}
      {me.data && (
        <>
          <p className="flex flex-wrap items-baseline gap-4">
            {say("signedInAs", { email: me.data.email })}
            <TextButton onClick={leave}>{say("signOut")}</TextButton>
          </p>
          {me.data.orders.length === 0 && <p className="mt-4 quiet">{say("noOrders")}</p>}
          <ul className="mt-4">
            {me.data.orders.map((order) => (
              <li key={order.token} className="border-b border-base-300">
                <Link
                  to={`/counter/${shop}/order/${order.token}`}
                  className="flex flex-wrap items-baseline gap-x-4 py-3 hover:underline"
                >
                  <span className="font-semibold">
                    {say("order")} {order.number}
                  </span>
                  <span className="quiet">
                    {new Intl.DateTimeFormat(language, { dateStyle: "long" }).format(new Date(order.placedAt))}
                  </span>
                  <span className="figure flex-1 text-end">{money(order.total, order.currency, language)}</span>
                  <span className="w-full text-sm quiet">
                    {[
                      say.known("standings", order.cancelled ? "cancelled" : order.standing) ?? order.standing,
                      order.sent === "all" ? say("sentAll") : order.sent === "in part" ? say("sentPart") : "",
                      order.test ? say("test") : "",
                    ]
                      .filter(Boolean)
                      .join(" · ")}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          {me.data.addresses.length > 0 && (
            <Addresses shop={shop} language={language} email={me.data.email} addresses={me.data.addresses} />
          )}
          <OwnGroup shop={shop} language={language} />
        </>
      )}
    </main>
  );
}

function AskForLink({ shop, language }: PageProps) {
  const say = useSay();
  const [email, setEmail] = useState(() => keptOf(shop).email ?? "");
  const [sent, setSent] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  const ask = (event: FormEvent) => {
    event.preventDefault();
    const body = { email, language };
    void answer(api.POST("/api/counter/{shop}/me/letter", { params: { path: { shop } }, body })).then(
      () => {
        setProblems([]);
        setSent(true);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <form onSubmit={ask}>
      <p>{say("myOrdersNote")}</p>
      <label className="mt-4 mb-3 block">
        <span className="mb-1 block text-xs quiet">{say("email")}</span>
        <input
          required
          type="email"
          autoComplete="email"
          maxLength={254}
          className="input w-full text-base"
          value={email}
          onChange={(event) => setEmail(event.target.value)}
        />
      </label>
      <Said problems={problems} />
      <button type="submit" className="btn btn-primary btn-lg h-auto min-h-12 py-2 w-full">
        {say("mailLink")}
      </button>
      {sent && (
        <p role="status" className="mt-3">
          {say("linkMailed")}
        </p>
      )}
    </form>
  );
}

interface Address {
  name: string;
  address: { lines: string[]; city: string; postcode: string; country: string; region?: string | null | undefined };
}

interface AddressesProps extends PageProps {
  email: string;
  addresses: Address[];
}

function Addresses({ shop, language, email, addresses }: AddressesProps) {
  const say = useSay();
  const [used, setUsed] = useState<Address>();
  const use = (chosen: Address) => {
    const { lines, city, postcode, country, region } = chosen.address;
    rekeep(shop, {
      name: chosen.name,
      email,
      street: lines.join(", "),
      city,
      postcode,
      country,
      region: region ?? "",
      key: crypto.randomUUID(),
    });
    setUsed(chosen);
  };
  return (
    <section className="mt-8" aria-label={say("addresses")}>
      <h2 className="text-lg">{say("addresses")}</h2>
      <ul>
        {addresses.map((each) => (
          <li
            key={JSON.stringify(each)}
            className="flex flex-wrap items-baseline gap-x-4 border-b border-base-300 py-2"
          >
            <span className="flex-1">
              {[each.name, ...each.address.lines, `${each.address.postcode} ${each.address.city}`.trim()].join(", ")},{" "}
              {countryName(each.address.country, language)}
            </span>
            {used === each ? (
              <span role="status" className="text-sm quiet">
                {say("addressUsed")}
              </span>
            ) : (
              <button type="button" className="cursor-pointer text-sm underline" onClick={() => use(each)}>
                {say("useAddress")}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
