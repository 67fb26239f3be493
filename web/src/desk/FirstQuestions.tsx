import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { useNavigate } from "react-router";
import { answer, api, type FirstAnswers } from "../api/client";
import { useNames } from "../shared/NamedField";
import { NamedInput } from "../shared/NamedInput";
import { type Named, named } from "../shared/named";
import { useRegions } from "../shared/PlacesField";
import { countryName } from "../shared/places";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { useActs, useBench, useTroubles } from "./bench";

const sells = [
  { id: "things", name: say("thingsAreHandedOver") },
  { id: "downloads", name: say("downloads") },
  { id: "services", name: say("servicesAtOurPlace") },
];
const ways = [
  { id: "sent", name: say("sent") },
  { id: "fetched", name: say("fetchedFromUs") },
  { id: "brought", name: say("broughtRoundByUs") },
];
const prices = [
  { id: "with-tax", name: say("withTaxInside") },
  { id: "without-tax", name: say("withoutTaxAdded") },
];

const sendings = [
  { id: "one-price", name: say("sentAtOnePrice") },
  { id: "by-weight", name: say("sentByWeight") },
  { id: "by-carrier", name: say("sentAsCarrierAsks") },
  { id: "free", name: say("sentFree") },
];

const nameIn = (names: readonly Named[], code: string): string => named(names, code)?.name ?? code;

/** The first questions of a new shop. Each can be left as it is; the draft that follows already prices a basket. */
export function FirstQuestions() {
  const bench = useBench();
  const acts = useActs();
  const troubles = useTroubles();
  const navigate = useNavigate();
  const { shop } = bench.setup;
  const [given, setGiven] = useState<Partial<FirstAnswers>>({});
  const give = (part: Partial<FirstAnswers>) => setGiven((now) => ({ ...now, ...part }));
  const countries = useNames("country", "");
  const country = named(countries, given.country ?? "")?.id ?? shop.address.country;
  const home = countryName(country);
  const usual = useQuery({
    queryKey: ["usual", bench.shop, country],
    queryFn: () =>
      answer(api.GET("/api/shops/{shop}/draft/usual", { params: { path: { shop: bench.shop }, query: { country } } })),
    placeholderData: (before) => before,
  });
  const regions = useRegions(country);
  const currencies = useNames("currency", "");
  const languages = useNames("language", usual.data?.language ?? "");
  const allZones = useNames("timeZone", "");
  if (!usual.data) return null;
  const zones = allZones.filter((zone) => usual.data.timeZones.includes(zone.id));
  const several = zones.length > 1;
  const moved = country !== shop.address.country;
  const usualMoney = moved ? usual.data.currency : shop.currency || usual.data.currency;
  const currency = given.currency || usualMoney;
  const language = given.language || usual.data.language;
  const clock = given.timeZone || (several ? "" : (zones[0]?.id ?? ""));
  const sends = (given.ways ?? ["sent"]).includes("sent");
  let asked = 0;
  const who = [
    { id: "country", name: say("people", { home }) },
    { id: "union", name: say("allEuropeanUnion") },
    { id: "everywhere", name: say("everybody") },
  ];
  const begin = async () => {
    const answers = { sells: ["things"], ways: ["sent"], ...given, country } as FirstAnswers;
    if (await acts.begin(answers)) void navigate(`/desk/${bench.shop}/goods`);
  };
  if (usual.data.begun) return <p className="max-w-xl py-3">{say("firstQuestionsAreOver")}</p>;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <StationHead title={say("firstQuestions")}>
        <TextButton onClick={() => void navigate(`/desk/${bench.shop}/shop`)}>{say("beginWithNothing")}</TextButton>
      </StationHead>
      <p className="max-w-2xl quiet">{say("nothingOfThisIsFinal")}</p>
      <ol className="mt-3 grid max-w-3xl gap-y-3">
        <Question number={++asked} title={say("whereAreYou")} note={say("onlyWhereTaxesDifferBy")}>
          <NamedInput
            label={say("country")}
            names={countries}
            initial={shop.address.country}
            className="w-44"
            give={(code) => give({ country: code, region: "", currency: "", language: "", timeZone: "" })}
          />
          <NamedInput
            key={`region ${country}`}
            label={say("region")}
            names={regions}
            className="w-40"
            placeholder={say("anywhere")}
            give={(region) => give({ region })}
            autoFocus
          />
          {several && (
            <NamedInput
              key={`clock ${country}`}
              label={say("townOfYourClock")}
              names={zones}
              className="w-56"
              placeholder={say("townOfYourClock")}
              give={(timeZone) => give({ timeZone })}
            />
          )}
        </Question>
        <Question number={++asked} title={say("whatDoYouSell")}>
          <Some name="sells" choices={sells} usual={["things"]} give={(chosen) => give({ sells: chosen as never })} />
        </Question>
        <Question number={++asked} title={say("howDoPeopleGet")}>
          <Some name="ways" choices={ways} usual={["sent"]} give={(chosen) => give({ ways: chosen as never })} />
        </Question>
        {sends && (
          <Question number={++asked} title={say("whatDoesSendingCost")}>
            <One
              name="sending"
              choices={sendings}
              usual="one-price"
              give={(chosen) => give({ sending: chosen as never })}
            />
          </Question>
        )}
        <Question number={++asked} title={say("whoMayOrder")}>
          <One name="to" choices={who} usual="country" give={(chosen) => give({ to: chosen as never })} />
        </Question>
        <Question number={++asked} title={say("howDoYouWritePrices")}>
          <One
            key={country}
            name="prices"
            choices={prices}
            usual={usual.data.prices}
            give={(chosen) => give({ prices: chosen as never })}
          />
        </Question>
        <Question number={++asked} title={say("moneyLanguage")}>
          <NamedInput
            key={`money ${country}`}
            label={say("currency")}
            names={currencies}
            initial={usualMoney}
            className="w-40"
            give={(code) => give({ currency: code })}
          />
          <NamedInput
            key={`language ${country}`}
            label={say("language")}
            names={languages}
            initial={usual.data.language}
            className="w-44"
            give={(tag) => give({ language: tag })}
          />
        </Question>
      </ol>
      <p className="mt-3 max-w-2xl" role="status">
        {say("understoodSoFar", {
          country: home,
          region: given.region ? `, ${named(regions, given.region)?.name ?? given.region}` : "",
          currency: nameIn(currencies, currency),
          language: nameIn(languages, language),
          prices: (given.prices ?? usual.data.prices) === "with-tax" ? say("withTax") : say("withoutTax"),
        })}{" "}
        {clock ? say("clockOf", { zone: nameIn(allZones, clock) }) : say("clockNotSaid")}
      </p>
      <Said problems={troubles.problems} />
      <button type="submit" className="btn btn-primary mt-4">
        {say("beginWithThese")}
      </button>
      <p className="mt-2 max-w-2xl text-xs quiet">{say("taxRatesAreFilledFrom")}</p>
    </form>
  );
}

function Question({
  number,
  title,
  note,
  children,
}: {
  number: number;
  title: string;
  note?: string;
  children: ReactNode;
}) {
  return (
    <li className="grid grid-cols-[1.5rem_1fr] items-center gap-x-3 md:grid-cols-[1.5rem_14rem_1fr] max-md:[&>:last-child]:col-start-2 border-b border-base-300 pb-4">
      <span className="font-mono quiet">{number}</span>
      <span className="font-semibold">{title}</span>
      <span className="flex flex-wrap items-center gap-x-5 gap-y-1">
        {children}
        {note && <span className="text-xs quiet">{note}</span>}
      </span>
    </li>
  );
}

interface Choices {
  name: string;
  choices: { id: string; name: string }[];
}

function Some({ name, choices, usual, give }: Choices & { usual: string[]; give: (chosen: string[]) => void }) {
  const [chosen, setChosen] = useState(usual);
  return choices.map((choice) => (
    <label key={choice.id} className="inline-flex cursor-pointer items-center gap-1.5">
      <input
        type="checkbox"
        name={name}
        className="checkbox checkbox-sm"
        checked={chosen.includes(choice.id)}
        onChange={(event) => {
          const next = choices
            .map((each) => each.id)
            .filter((id) => (id === choice.id ? event.target.checked : chosen.includes(id)));
          setChosen(next);
          give(next);
        }}
      />
      {choice.name}
    </label>
  ));
}

function One({ name, choices, usual, give }: Choices & { usual: string; give: (chosen: string) => void }) {
  return choices.map((choice) => (
    <label key={choice.id} className="inline-flex cursor-pointer items-center gap-1.5">
      <input
        type="radio"
        name={name}
        className="radio radio-sm"
        defaultChecked={choice.id === usual}
        onChange={() => give(choice.id)}
      />
      {choice.name}
    </label>
  ));
}
