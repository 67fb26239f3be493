import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Navigate, Route, Routes, useParams } from "react-router";
import { answer, api, type Session } from "../api/client";
import { BuyerList } from "../orders/BuyerList";
import { OrderList } from "../orders/OrderList";
import { OrderSheet } from "../orders/OrderSheet";
import { PayoutList } from "../orders/PayoutList";
import { SalesPage } from "../orders/SalesPage";
import { SubscriberList } from "../orders/SubscriberList";
import { SubscriberSheet } from "../orders/SubscriberSheet";
import { UnfinishedList } from "../orders/UnfinishedList";
import { say } from "../shared/say";
import { DeliveryStation } from "../stations/delivery/DeliveryStation";
import { GoodsStation } from "../stations/goods/GoodsStation";
import { OpeningStation } from "../stations/opening/OpeningStation";
import { PaymentStation } from "../stations/payment/PaymentStation";
import { PickupStation } from "../stations/pickup/PickupStation";
import { RehearsalStation } from "../stations/rehearsal/RehearsalStation";
import { ShopStation } from "../stations/shop/ShopStation";
import { TaxStation } from "../stations/tax/TaxStation";
import { TermsStation } from "../stations/terms/TermsStation";
import { BenchProvider, useBench } from "./bench";
import { FirstQuestions } from "./FirstQuestions";
import { Frame } from "./Frame";
import { FirstOwner, SignIn } from "./SignIn";

export const sessionKey = ["session"];

/** The seller's side: signed in or not, and which shop. */
export function Desk() {
  const client = useQueryClient();
  const session = useQuery({ queryKey: sessionKey, queryFn: () => answer(api.GET("/api/session")) });
  if (session.isError)
    return (
      <p role="alert" className="p-8">
        {session.error.message}
      </p>
    );
  if (!session.data) return null;
  const entered = (fresh: Session) => client.setQueryData(sessionKey, fresh);
  if (!session.data.email) return session.data.empty ? <FirstOwner entered={entered} /> : <SignIn entered={entered} />;
  const first = session.data.shops[0];
  return (
    <Routes>
      <Route path="/desk/:shop/*" element={<Shop session={session.data} left={entered} />} />
      <Route
        path="*"
        element={first ? <Navigate replace to={`/desk/${first}`} /> : <p className="p-8">{say("youHaveNoShopYet")}</p>}
      />
    </Routes>
  );
}

function Shop({ session, left }: { session: Session; left: (session: Session) => void }) {
  const { shop = "" } = useParams();
  if (!session.shops.includes(shop) && !(shop in session.rehearsals))
    return <p className="p-8">{say("thisShopNotYoursOpen")}</p>;
  return (
    <BenchProvider shop={shop}>
      <Frame left={left} rehearses={session.rehearsals[shop]}>
        <Routes>
          <Route path="begin" element={<FirstQuestions />} />
          <Route path="shop" element={<ShopStation />} />
          <Route path="goods" element={<GoodsStation />} />
          <Route path="delivery" element={<DeliveryStation />} />
          <Route path="pickup" element={<PickupStation />} />
          <Route path="tax" element={<TaxStation />} />
          <Route path="payment" element={<PaymentStation />} />
          <Route path="terms" element={<TermsStation />} />
          <Route path="rehearsal" element={<RehearsalStation />} />
          <Route path="opening" element={<OpeningStation />} />
          <Route path="orders" element={<OrderList />} />
          <Route path="orders/:number" element={<OrderSheet />} />
          <Route path="sales" element={<SalesPage />} />
          <Route path="buyers" element={<BuyerList />} />
          <Route path="payouts" element={<PayoutList />} />
          <Route path="unfinished" element={<UnfinishedList />} />
          <Route path="subscriptions" element={<SubscriberList />} />
          <Route path="subscriptions/:id" element={<SubscriberSheet />} />
          <Route path="*" element={<Beginning />} />
        </Routes>
      </Frame>
    </BenchProvider>
  );
}

/** A shop that sells something is opened at its rates, a new one at the first questions. */
function Beginning() {
  const { setup, draft } = useBench();
  const untouched = draft.changes === 0 && draft.edition === undefined;
  return <Navigate replace to={setup.goods.products.length > 0 ? "delivery" : untouched ? "begin" : "shop"} />;
}
