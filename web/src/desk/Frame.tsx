import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { answer, api, type Session } from "../api/client";
import { orderCount } from "../shared/counted";
import { say } from "../shared/say";
import { TicketPane } from "../ticket/TicketPane";
import { useActs, useBench } from "./bench";
import { Find } from "./Find";
import { KeyList } from "./KeyList";
import { OtherLanguage } from "./OtherLanguage";
import { Publishing } from "./Publishing";
import { Strip } from "./Strip";
import { stations, Thread } from "./Thread";

/** Orders come while the desk is open. */
const EVERY_HALF_MINUTE = 30_000;

interface Props {
  left: (session: Session) => void;
  /** The shop this one rehearses, if it is a rehearsal. */
  rehearses: string | undefined;
  children: ReactNode;
}

/** The desk around a station: the bar, the thread, the ticket beside, the findings below. */
export function Frame({ left, rehearses, children }: Props) {
  const bench = useBench();
  const acts = useActs();
  const navigate = useNavigate();
  const location = useLocation();
  const publishing = useRef<HTMLDialogElement>(null);
  const keys = useRef<HTMLDialogElement>(null);
  const find = useRef<HTMLDialogElement>(null);
  const [ticketOpen, setTicketOpen] = useState(false);
  const onOrders = location.pathname.includes("/orders");
  const orders = useQuery({
    queryKey: ["orders", bench.shop, 0],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders", { params: { path: { shop: bench.shop } } })),
    refetchInterval: EVERY_HALF_MINUTE,
    refetchOnWindowFocus: "always",
  });

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const typing = target.matches("input, select, textarea");
      const key = event.key.toLowerCase();
      if ((event.ctrlKey || event.metaKey) && (key === "z" || key === "y") && !typing) {
        event.preventDefault();
        if (event.shiftKey || key === "y") acts.redo();
        else acts.undo();
      } else if ((event.ctrlKey || event.metaKey) && event.key === "Enter") {
        event.preventDefault();
        publishing.current?.showModal();
      } else if (event.altKey && /^[1-9]$/.test(event.key)) {
        const station = stations[Number(event.key) - 1];
        if (station) {
          event.preventDefault();
          void navigate(`/desk/${bench.shop}/${station.id}`);
        }
      } else if (event.altKey && event.key.toLowerCase() === "t") {
        event.preventDefault();
        setTicketOpen(true);
        document.getElementById("ticket-basket")?.focus();
      } else if (event.key === "/" && !typing) {
        event.preventDefault();
        find.current?.showModal();
      } else if (event.key === "?" && !typing) {
        keys.current?.showModal();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [acts, bench.shop, navigate]);

  // Each station begins at its top, however far down the one before was.
  const station = location.pathname.split("/")[3];
  const sheet = useRef<HTMLElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another station is the reason
  useEffect(() => {
    sheet.current?.scrollTo(0, 0);
  }, [station]);

  const { changes, edition, canUndo, canRedo } = bench.draft;
  const signOut = () => void answer(api.DELETE("/api/session")).then(left);
  const rest = (
    <>
      <a href={`/counter/${bench.shop}`} target="_blank" rel="noreferrer" className="seg hover:underline">
        {say("counter")}
      </a>
      <span>
        {say("draft")}{" "}
        <strong className="font-semibold">{changes === 0 ? say("noChanges") : say("changeCount", { changes })}</strong>
      </span>
      <span className="flex gap-1">
        <button type="button" className="btn btn-ghost btn-sm" disabled={!canUndo} onClick={acts.undo}>
          {say("undo")}
        </button>
        <button type="button" className="btn btn-ghost btn-sm" disabled={!canRedo} onClick={acts.redo}>
          {say("redo")}
        </button>
      </span>
      <button
        type="button"
        className="btn btn-primary btn-sm"
        onClick={() => publishing.current?.showModal()}
        disabled={changes === 0 && edition !== undefined}
      >
        {say("publish")}
      </button>
      <OtherLanguage />
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => signOut()}>
        {say("signOut")}
      </button>
    </>
  );
  return (
    <div className="flex h-full flex-col">
      {rehearses !== undefined && (
        <aside aria-label={say("rehearsal")} className="bg-warning px-5 py-1 text-sm text-warning-content max-sm:px-3">
          {say("thisIsRehearsal")}{" "}
          <Link to={`/desk/${rehearses}/rehearsal`} className="underline">
            {say("backToShop")}
          </Link>
        </aside>
      )}
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-300 px-5 py-2 max-sm:flex-nowrap max-sm:gap-x-3 max-sm:px-3">
        <Link
          to={`/desk/${bench.shop}`}
          aria-label={say("vestCoin")}
          className="flex items-center gap-2 font-head text-lg font-bold"
        >
          <img src="/favicon.svg" alt="" className="h-6 w-6" />
          <span className="max-sm:hidden">{say("vestCoin")}</span>
        </Link>
        <span className="truncate font-semibold">{bench.setup.shop.name}</span>
        <span className="flex-1" />
        <button type="button" className="seg quiet hover:underline" onClick={() => find.current?.showModal()}>
          {say("findButton")} <kbd className="kbd kbd-xs max-sm:hidden">/</kbd>
        </button>
        <Link
          to={`/desk/${bench.shop}/orders`}
          aria-current={onOrders ? "page" : undefined}
          className={`seg ${onOrders ? "border-b-accent font-semibold" : ""}`}
        >
          {say("orders")} <span className="quiet">{orderCount(orders.data)}</span>
        </Link>
        <div className="contents max-sm:hidden">{rest}</div>
        <details className="relative sm:hidden">
          <summary
            className="seg cursor-pointer list-none whitespace-nowrap"
            aria-label={changes > 0 ? say("moreMenuChanges", { changes }) : say("moreMenu")}
          >
            {changes > 0 && <span className="me-1 text-xs">{changes}</span>}⋯
          </summary>
          <div className="absolute end-0 z-30 mt-1 grid w-56 gap-2 border border-base-300 bg-base-100 p-4 shadow-xl">
            {rest}
          </div>
        </details>
      </header>
      <Thread />
      <div className="flex min-h-0 flex-1">
        <main ref={sheet} className="relative min-w-0 flex-1 overflow-y-auto bg-base-100 px-5 py-3">
          {children}
        </main>
        {!onOrders && (
          <aside
            aria-label={say("ticket")}
            className={`${ticketOpen ? "fixed inset-y-0 end-0 z-20 shadow-xl" : "relative hidden"} w-[23rem] max-w-full shrink-0 overflow-y-auto border-s border-base-300 bg-secondary p-5 lg:static lg:block lg:shadow-none`}
          >
            <TicketPane close={() => setTicketOpen(false)} />
          </aside>
        )}
      </div>
      <Strip showKeys={() => keys.current?.showModal()} showTicket={() => setTicketOpen(true)} />
      <Publishing dialog={publishing} />
      <KeyList dialog={keys} />
      <Find dialog={find} />
    </div>
  );
}
