import { ApiProblem, problemsOf } from "../api/client";
import { Said } from "../shared/Said";
import { keptOf } from "./basket";
import { useSay } from "./phrases";

/** What stands in place of a shop that is not open, or does not answer, with the way in for whoever runs it. */
export function Closed({ shop, reason }: { shop: string; reason: unknown }) {
  const say = useSay();
  const more = reason instanceof ApiProblem && reason.status === 404 ? reason.more : undefined;
  const name = typeof more?.name === "string" ? more.name : undefined;
  const notice = typeof more?.notice === "string" ? more.notice : "";
  return (
    <main className="mx-auto flex min-h-full max-w-md flex-col justify-center p-8">
      {name && <p className="font-head text-xl font-bold">{name}</p>}
      <h1 className="mt-2 text-3xl">{more ? say("notOpen") : say("noAnswer")}</h1>
      {more ? (
        <>
          <p className="mt-3 whitespace-pre-line" dir="auto">
            {notice || say("comeBack")}
          </p>
          {(keptOf(shop).lines ?? []).length > 0 && <p className="mt-3">{say("closedBasketKept")}</p>}
        </>
      ) : (
        <Said problems={problemsOf(reason)} />
      )}
      <p className="mt-10 border-t border-base-300 pt-3 text-sm">
        <a className="underline" href={`/desk/${shop}`}>
          {say("thisIsMyShop")}
        </a>
      </p>
    </main>
  );
}
