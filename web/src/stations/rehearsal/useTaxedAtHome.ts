import { useBench } from "../../desk/bench";
import { useCountries } from "../../shared/useCountries";

/** Whether what goes to consumers in other member states is taxed at home until 10,000 euro are passed. */
export function useTaxedAtHome(): boolean {
  const { setup } = useBench();
  const countries = useCountries();
  const { registrations } = setup.tax;
  return (
    countries.get(setup.shop.address.country)?.union === true &&
    registrations.length > 0 &&
    !registrations.some(({ scheme }) => scheme === "one-stop-shop")
  );
}
