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
import vestcoin.standins.texts.ShortMessages;
import vestcoin.standins.time.SharedClock;

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
        ShortMessages texts,
        OtherSite elsewhere,
        SharedClock time)
        implements AutoCloseable {

    /** @param port 0 for any free one @param folder of the services' own books */
    public static Simulation start(int port, Path folder) throws IOException {
        SharedClock time = new SharedClock(folder.resolve("clock"));
        CardProcessor cards = new CardProcessor(folder.resolve("card-processor"), time.clock());
        Wallet wallet = new Wallet(folder.resolve("wallet"), time.clock());
        Carrier carrier = new Carrier();
        ExchangeRates rates = new ExchangeRates(time.clock());
        Bank bank = new Bank(time.clock());
        PostRoom post = new PostRoom();
        Register register = new Register();
        AddressFinder places = new AddressFinder();
        TaxRates taxRates = new TaxRates();
        ShortMessages texts = new ShortMessages();
        OtherSite elsewhere = new OtherSite();
        try {
            return new Simulation(
                    Services.start(
                            port,
                            List.of(
                                    cards, wallet, carrier, rates, bank, post, register, places, taxRates, texts,
                                    elsewhere, time)),
                    cards,
                    wallet,
                    carrier,
                    rates,
                    bank,
                    post,
                    register,
                    places,
                    taxRates,
                    texts,
                    elsewhere,
                    time);
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
