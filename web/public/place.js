// Opens a shop's counter in place: where this script stands on a page, on the sites the shop has listed.
// <script src="https://…/place.js" data-shop="…" data-title="…" data-take="…" async></script>
(() => {
  const LEAST = 480;
  const MARGIN = 40;
  const script = document.currentScript;
  const { shop, title = "Order", take } = script.dataset;
  const { origin } = new URL(script.src);
  const query = new URLSearchParams({ page: location.href.split("#")[0] });
  if (take) query.set("take", take);
  const counter = `${origin}/counter/${encodeURIComponent(shop)}`;
  const frame = document.createElement("iframe");
  frame.src = `${counter}?${query}`;
  frame.title = title;
  Object.assign(frame.style, { display: "block", width: "100%", height: "40rem", border: "0" });
  let shown = false;
  addEventListener("message", (event) => {
    if (event.source !== frame.contentWindow || event.origin !== origin) return;
    const { height, begins } = event.data ?? {};
    shown = true;
    // As high as what it shows, but never higher than the window: the total stays in sight.
    if (Number.isFinite(height)) {
      frame.style.height = `${Math.min(Math.ceil(height), Math.max(LEAST, innerHeight - MARGIN))}px`;
    }
    if (begins && frame.getBoundingClientRect().top < 0) frame.scrollIntoView();
  });
  // On a page the shop has not listed the browser shows nothing: then there is a way to the counter itself.
  setTimeout(() => {
    if (shown) return;
    const link = document.createElement("a");
    link.href = take ? `${counter}?take=${encodeURIComponent(take)}` : counter;
    link.textContent = title;
    frame.replaceWith(link);
  }, 6_000);
  script.after(frame);
})();
