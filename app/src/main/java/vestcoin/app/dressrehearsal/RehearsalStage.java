package vestcoin.app.dressrehearsal;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import vestcoin.app.message.MailLine;
import vestcoin.app.paper.UnionSales;
import vestcoin.app.payment.Gateways;
import vestcoin.app.service.ServiceConnections;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.RehearsalShops;
import vestcoin.core.finding.AgainstOpening;
import vestcoin.core.finding.Finding;
import vestcoin.core.message.Message;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.Wallet;

/**
 * Sets up the shop a rehearsal is held in, one at a time, and looks at what holds or fails for all of its orders alike.
 */
@Service
class RehearsalStage {
    /**
     * @param edition of the shop that rehearses
     * @param texts what is wrong with the texts every buyer reads
     * @param mail why the shop's own letters could not leave
     */
    record Stage(Editions.Edition edition, List<Message> texts, Optional<Message> mail) {}

    private final RehearsalShops shops;
    private final Gateways gateways;
    private final ServiceConnections services;
    private final UnionSales sales;
    private final MailLine mail;

    RehearsalStage(
            RehearsalShops shops, Gateways gateways, ServiceConnections services, UnionSales sales, MailLine mail) {
        this.shops = shops;
        this.gateways = gateways;
        this.services = services;
        this.sales = sales;
        this.mail = mail;
    }

    /** The shop a draft is rehearsed in: as it stands where it is of this draft, else set up anew. */
    synchronized String of(String shop, Document draft, String author) {
        return shops.of(shop, draft)
                .orElseGet(() -> set(shop, draft, author).edition())
                .shop();
    }

    /**
     * A shop of the draft with the accounts and services of the shop; in the place of a live account a practice one.
     */
    synchronized Stage set(String shop, Document draft, String author) {
        Editions.Edition edition = shops.begin(shop, draft, author);
        services.lend(shop, edition.shop());
        sales.lend(shop, edition.shop());
        gateways.lend(shop, edition.shop()).forEach(live -> gateways.connect(edition.shop(), live.id(), keys(live)));
        return new Stage(
                edition,
                AgainstOpening.unsetFacts(draft.setup()).stream()
                        .map(Finding::sentence)
                        .toList(),
                mail.trouble(shop));
    }

    private static Gateways.Keys keys(Gateways.GatewayView live) {
        boolean wallet = live.provider() == Gateways.With.WALLET;
        return new Gateways.Keys(
                live.provider(),
                Optional.of("test"),
                wallet ? Wallet.TEST_PUBLIC : CardProcessor.TEST_PUBLIC,
                wallet ? Wallet.TEST_SECRET : CardProcessor.TEST_SECRET,
                live.statement());
    }
}
