package vestcoin.app.message;

import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.service.ServiceConnections;
import vestcoin.core.message.Message;

/** The service a shop's short messages leave by, at the Terms station. Its key is written, never read. */
@RestController
class ShortMessageController {
    /** A key as it is sent. It is never written out. */
    record MessageKey(String secret) {
        @Override
        public String toString() {
            return "MessageKey[]";
        }
    }

    /** @param trouble why the latest message that is still here did not leave */
    record MessageLink(Optional<ServiceConnections.Connected> connected, Optional<Message> trouble) {}

    private final ServiceConnections links;
    private final ShortMessageService service;
    private final ShortMessages texts;

    ShortMessageController(ServiceConnections links, ShortMessageService service, ShortMessages texts) {
        this.links = links;
        this.service = service;
        this.texts = texts;
    }

    @GetMapping("/api/shops/{shop}/short-messages/link")
    MessageLink link(@PathVariable String shop) {
        return new MessageLink(links.connected(shop, ServiceConnections.Kind.SHORT_MESSAGES), texts.trouble(shop));
    }

    /** Connects the service after a real call has shown that the key opens an account. */
    @PutMapping("/api/shops/{shop}/short-messages/link")
    MessageLink connect(@PathVariable String shop, @RequestBody MessageKey key) {
        ServiceAccess access = links.candidate(
                ServiceConnections.Kind.SHORT_MESSAGES,
                key.secret() == null ? "" : key.secret().strip());
        try {
            service.check(access);
        } catch (ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "secret",
                    Message.of("setup.service-does-not-know-this-key"),
                    Message.of("setup.copy-again-whole-and-without-spaces"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "secret",
                    Message.of("message.service-for-short-messages-silent"),
                    Message.of("message.try-again-in-a-while"));
        }
        links.connect(shop, ServiceConnections.Kind.SHORT_MESSAGES, access);
        texts.deliverWhatIsDue();
        return link(shop);
    }

    @DeleteMapping("/api/shops/{shop}/short-messages/link")
    MessageLink disconnect(@PathVariable String shop) {
        links.disconnect(shop, ServiceConnections.Kind.SHORT_MESSAGES);
        return link(shop);
    }
}
