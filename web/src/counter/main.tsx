import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Route, Routes } from "react-router";
import "../styles.css";
import { CounterPage } from "./CounterPage";
import { MyOrders } from "./MyOrders";
import { OrderPage } from "./OrderPage";
import { tellHeight } from "./otherSite";
import { SubscriptionPage } from "./SubscriptionPage";

const client = new QueryClient({ defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false } } });
// Until the shop has said what it speaks, the buyer is answered in the language the browser asks for.
document.documentElement.lang = navigator.language;
const root = document.getElementById("root");
if (root) {
  tellHeight(root);
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <Routes>
            <Route path="/counter/:shop" element={<CounterPage />} />
            <Route path="/counter/:shop/me" element={<MyOrders />} />
            <Route path="/counter/:shop/order/:token" element={<OrderPage />} />
            <Route path="/counter/:shop/subscription/:token" element={<SubscriptionPage />} />
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
