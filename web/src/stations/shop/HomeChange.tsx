import { type ReactNode, useEffect, useRef, useState } from "react";
import { answer, api, type HomePreview, type Problem, problemsOf } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { money, plain } from "../../shared/money";
import { figure, stored } from "../../shared/notation/figures";
import { countryName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";
import { timeZoneName } from "../../shared/timeZones";

interface Wish {
  country?: string;
  currency?: string;
}

interface Asked {
  wish: Wish;
  preview: HomePreview;
  /** Told whether the field is done with. */
  done: (done: boolean) => void;
}

const currencyName = (code: string) => new Intl.DisplayNames([deskLocale()], { type: "currency" }).of(code) ?? code;
const dayOf = (iso: string) =>
  new Intl.DateTimeFormat(deskLocale(), { dateStyle: "long", timeZone: "UTC" }).format(new Date(`${iso}T00:00:00Z`));

/** Another country or currency of the shop, which asks first what is to happen with the figures typed. */
export function useHomeChange() {
  const { shop, setup } = useBench();
  const acts = useActs();
  const [asked, setAsked] = useState<Asked>();
  const change = (wish: Wish) =>
    answer(api.POST("/api/shops/{shop}/draft/home/preview", { params: { path: { shop } }, body: asBody(wish) })).then(
      (preview) => new Promise<boolean>((done) => setAsked({ wish, preview, done })),
      () => false,
    );
  const end = (done: boolean) => {
    acts.stopTrying();
    asked?.done(done);
    setAsked(undefined);
  };
  const asking: ReactNode = asked && <Asking asked={asked} end={end} />;
  return {
    country: (country: string) =>
      country === setup.shop.address.country ? Promise.resolve(true) : change({ country }),
    currency: (currency: string) => (currency === setup.shop.currency ? Promise.resolve(true) : change({ currency })),
    asking,
  };
}

const asBody = (wish: Wish, more: { currency?: string; rate?: string; timeZone?: boolean } = {}) => ({
  country: wish.country ?? null,
  currency: more.currency ?? wish.currency ?? null,
  rate: more.rate ?? null,
  timeZone: more.timeZone ?? false,
});

type Figures = "stay" | "kept" | "converted";

function Asking({ asked: { wish, preview: first }, end }: { asked: Asked; end: (done: boolean) => void }) {
  const { shop, setup } = useBench();
  const acts = useActs();
  const dialog = useRef<HTMLDialogElement>(null);
  const moves = wish.country !== undefined;
  const now = setup.shop.currency;
  const to = wish.currency ?? first.usual ?? now;
  const other = to !== now;
  const [preview, setPreview] = useState(first);
  const [figures, setFigures] = useState<Figures>(moves || !other ? "stay" : "kept");
  const [typed, setTyped] = useState<string>();
  const [clock, setClock] = useState(true);
  const [problems, setProblems] = useState<Problem[]>([]);
  const rate = typed ?? (preview.rate ? figure(plain(preview.rate)) : "");
  const params = { params: { path: { shop } } };
  useEffect(() => dialog.current?.showModal(), []);
  // With a country its usual currency is asked about as well, and with every rate typed what comes of it.
  useEffect(() => {
    if (!other) return;
    let last = true;
    const body = asBody({ ...wish, currency: to }, typed ? { rate: stored(typed) } : {});
    void answer(api.POST("/api/shops/{shop}/draft/home/preview", { params: { path: { shop } }, body })).then(
      (fresh) => {
        if (!last) return;
        setPreview(fresh);
        setProblems([]);
      },
      (reason: unknown) => last && setProblems(problemsOf(reason)),
    );
    return () => {
      last = false;
    };
  }, [shop, wish, to, other, typed]);
  const make = () => {
    const money = figures === "stay" ? {} : { currency: to };
    const converted = figures === "converted" ? { rate: stored(rate) } : {};
    const body = asBody(wish, { ...money, ...converted, timeZone: clock });
    if (figures === "stay" && !moves) return end(true);
    return answer(api.POST("/api/shops/{shop}/draft/home", { ...params, body })).then(
      () => {
        acts.refresh();
        end(true);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  const { example } = preview;
  const choice = (id: Figures, words: ReactNode) => (
    <label className="mt-2 flex items-baseline gap-2">
      <input
        type="radio"
        name="figures"
        className="radio radio-xs self-center"
        checked={figures === id}
        onChange={() => setFigures(id)}
      />
      <span>{words}</span>
    </label>
  );
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="home-change" onClose={() => end(true)}>
      <div className="modal-box">
        <h2 id="home-change" className="text-xl">
          {moves
            ? say("shopMovesTo", { country: countryName(wish.country ?? "") })
            : say("moneyBecomes", { currency: currencyName(to) })}
        </h2>
        <p className="mt-2">
          {other
            ? say("figuresTyped", { figures: preview.figures, currency: currencyName(now) })
            : say("moneyStaysSame")}
        </p>
        {other && (
          <fieldset className="mt-1">
            <legend className="sr-only">{say("whatBecomesOfFigures")}</legend>
            {moves && choice("stay", say("moneyStays", { currency: currencyName(now) }))}
            {choice(
              "kept",
              example
                ? say("figuresKeptExample", { currency: currencyName(to), kept: money(example.kept, to, deskLocale()) })
                : say("figuresKept", { currency: currencyName(to) }),
            )}
            {choice(
              "converted",
              <>
                {say("figuresConverted", { now, to })}{" "}
                <input
                  className="inplace w-20 font-mono"
                  aria-label={say("rateOf", { now, to })}
                  value={rate}
                  onFocus={() => setFigures("converted")}
                  onChange={(event) => setTyped(event.target.value.trim())}
                />
                {example?.converted && (
                  <span className="block text-xs quiet">
                    {say("figuresConvertedExample", {
                      name: example.name,
                      was: money(example.was, now, deskLocale()),
                      converted: money(example.converted, to, deskLocale()),
                    })}
                    {preview.day && ` ${say("rateOfDay", { day: dayOf(preview.day) })}`}
                  </span>
                )}
                {!first.rate && !rate && <span className="block text-xs quiet">{say("noRateKnown")}</span>}
              </>,
            )}
          </fieldset>
        )}
        {moves && first.timeZone && (
          <label className="mt-3 flex items-baseline gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-xs self-center"
              checked={clock}
              onChange={(event) => setClock(event.target.checked)}
            />
            {say("clockFollows", { zone: timeZoneName(first.timeZone, deskLocale()) })}
          </label>
        )}
        {moves && <p className="mt-3 text-xs quiet">{say("whatStaysWhenMoving")}</p>}
        <Said problems={problems} />
        <div className="modal-action">
          <button type="button" className="btn btn-ghost" onClick={() => end(true)}>
            {say("notAfterAll")}
          </button>
          <button
            type="button"
            className="btn btn-primary"
            disabled={figures === "converted" && !rate}
            onClick={() => void make()}
          >
            {say("changeIt")}
          </button>
        </div>
      </div>
    </dialog>
  );
}
