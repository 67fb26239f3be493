package vestcoin.app.payment;

import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.message.Message;

/**
 * Wallets asked at a basket: who pays and where they live, and approval of the order that follows. What a wallet tells
 * is handed on to the buyer's page and kept nowhere; what is kept is which approval it was, for an hour.
 */
@Service
public class WalletApprovals {
    private static final Duration HOLDS = Duration.ofHours(1);

    /** @param id under which the buyer's page asks for what was answered @param action the wallet's page */
    public record Asked(String id, String action) {}

    private record Kept(String gateway, String ref) {}

    private final JdbcClient sql;
    private final Gateways gateways;
    private final Provider provider;
    private final Clock clock;

    WalletApprovals(JdbcClient sql, Gateways gateways, Provider provider, Clock clock) {
        this.sql = sql;
        this.gateways = gateways;
        this.provider = provider;
        this.clock = clock;
    }

    /** @throws ApiProblem if the wallet does not answer, or refuses */
    public Asked ask(String shop, String gateway, Provider.BasketApproval asked) {
        try {
            Provider.Approval approval = provider.approval(gateways.access(shop, gateway), asked);
            String id = UUID.randomUUID().toString();
            sql.sql("insert into wallet_approval(id, shop, gateway, ref, at) values (:id, :shop, :gateway, :ref, :at)")
                    .param("id", id)
                    .param("shop", shop)
                    .param("gateway", gateway)
                    .param("ref", approval.ref())
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                    .update();
            return new Asked(id, approval.action());
        } catch (ProviderTimeout | ProviderRejection e) {
            throw silent();
        }
    }

    /** Who approved, or nothing where nobody did, or it is over. @throws ApiProblem if the wallet does not answer */
    public Optional<Provider.Person> person(String shop, String id) {
        try {
            return kept(shop, id)
                    .map(known -> provider.approval(gateways.access(shop, known.gateway()), known.ref()))
                    .flatMap(Provider.Approval::person);
        } catch (ProviderRejection.NotFound e) {
            return Optional.empty();
        } catch (ProviderTimeout | ProviderRejection e) {
            throw silent();
        }
    }

    /** What a wallet is charged by that approved at the basket; else its page. @param gateway of the way to pay */
    public Provider.Means means(String shop, String gateway, String id) {
        return kept(shop, id)
                .filter(known -> known.gateway().equals(gateway))
                .map(known -> Provider.Means.approved(known.ref()))
                .orElse(Provider.Means.PAGE);
    }

    private Optional<Kept> kept(String shop, String id) {
        return sql.sql("select gateway, ref from wallet_approval where id = :id and shop = :shop and at > :since")
                .param("id", id)
                .param("shop", shop)
                .param("since", clock.instant().minus(HOLDS).atOffset(ZoneOffset.UTC))
                .query(Kept.class)
                .optional();
    }

    @Scheduled(fixedDelayString = "PT1H", initialDelayString = "PT1H")
    void forget() {
        sql.sql("delete from wallet_approval where at < :before")
                .param("before", clock.instant().minus(HOLDS).atOffset(ZoneOffset.UTC))
                .update();
    }

    private static ApiProblem silent() {
        return new ApiProblem(
                HttpStatus.BAD_GATEWAY,
                "method",
                Message.of("payment.wallet-not-answering"),
                Message.of("payment.go-on-without-wallet"));
    }
}
