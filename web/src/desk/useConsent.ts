import { useEffect, useRef } from "react";
import { useLocation, useNavigate } from "react-router";

/** What a service's own page brought back. */
export interface Consent {
  /** What was to be connected, as it was called when the seller left. */
  joined: string;
  provider: string;
  code: string;
  state: string;
}

/** Hands over once what a service's page brought back in the address, and clears it from there. */
export function useConsent(take: (consent: Consent) => void): void {
  const { search, pathname } = useLocation();
  const navigate = useNavigate();
  const done = useRef(false);
  useEffect(() => {
    const query = new URLSearchParams(search);
    const joined = query.get("joined");
    if (!joined || done.current) return;
    done.current = true;
    void navigate(pathname, { replace: true });
    take({
      joined,
      provider: query.get("with") ?? "",
      code: query.get("code") ?? "",
      state: query.get("state") ?? "",
    });
  }, [search, pathname, navigate, take]);
}
