package vestcoin.standins;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import vestcoin.standins.bank.Bank;
import vestcoin.standins.carrier.Carrier;
import vestcoin.standins.elsewhere.OtherSite;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.Wallet;
import vestcoin.standins.places.AddressFinder;
import vestcoin.standins.post.PostRoom;
import vestcoin.standins.rates.ExchangeRates;
import vestcoin.standins.register.Register;
import vestcoin.standins.shared.Services;
import vestcoin.standins.taxrates.TaxRates;

/** All simulated services together, behind one port of loopback. */
public record Simulation(
        Services services,
        CardProcessor cards,
        Wallet wallet,
        Carrier carrier,
        ExchangeRates rates,
        Bank bank,
        PostRoom post,
        Register register,
        AddressFinder places,
        TaxRates taxRates,
        OtherSite elsewhere)
        implements AutoCloseable {

    /** @param port 0 for any free one @param folder of the services' own books */
    public static Simulation start(int port, Path folder) throws IOException {
        CardProcessor cards = new CardProcessor(folder.resolve("card-processor"));
        Wallet wallet = new Wallet(folder.resolve("wallet"));
        Carrier carrier = new Carrier();
        ExchangeRates rates = new ExchangeRates();
        Bank bank = new Bank();
        PostRoom post = new PostRoom();
        Register register = new Register();
        AddressFinder places = new AddressFinder();
        TaxRates taxRates = new TaxRates();
        OtherSite elsewhere = new OtherSite();
        try {
            return new Simulation(
                    Services.start(
                            port,
                            List.of(cards, wallet, carrier, rates, bank, post, register, places, taxRates, elsewhere)),
                    cards,
                    wallet,
                    carrier,
                    rates,
                    bank,
                    post,
                    register,
                    places,
                    taxRates,
                    elsewhere);
        } catch (IOException e) {
            cards.close();
            wallet.close();
            throw e;
        }
    }

    /** Without a slash at the end. */
    public String url() {
        return services.url();
    }

    @Override
    public void close() {
        services.close();
    }
}
