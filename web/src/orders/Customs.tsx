import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";
import { say } from "../shared/say";

/** The customs declaration of an order that crosses such a border, and what it still lacks. */
export function Customs({ shop, number }: { shop: string; number: number }) {
  const customs = useQuery({
    queryKey: ["customs", shop, number],
    queryFn: () =>
      answer(api.GET("/api/shops/{shop}/orders/{order}/customs", { params: { path: { shop, order: number } } })),
  });
  if (!customs.data?.needed) return null;
  return (
    <div className="mt-1 text-sm">
      <a className="underline" href={`/api/shops/${shop}/orders/${number}/customs.pdf`}>
        {say("customsDeclaration")}
      </a>
      {customs.data.incomplete.length > 0 && (
        <p className="text-xs text-warning">{say("customsLacks", { things: customs.data.incomplete.join(", ") })}</p>
      )}
    </div>
  );
}
