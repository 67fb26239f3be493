package vestcoin.app.message;

import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;

/**
 * Takes short messages to telephones. A real one is one more class like {@link HttpShortMessages}. May throw
 * {@link ProviderTimeout} and {@link ProviderRejection}.
 */
interface ShortMessageService {
    /**
     * @param id the same for the same message, which is sent once
     * @param to a number by ITU-T E.164
     */
    record Outgoing(String id, String to, String text) {}

    /** @throws ProviderRejection if no account is opened by it */
    void check(ServiceAccess access);

    void send(ServiceAccess access, Outgoing message);

    /** Sends nothing to anybody: it can be read at the practice service. */
    void practise(Outgoing message);
}
