package vestcoin.app.service;

import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;

/**
 * A register that confirms businesses' tax numbers. A real one is one more class like {@link HttpRegister}. May throw
 * {@link ProviderTimeout} and {@link ProviderRejection}.
 */
public interface NumberRegister {
    /** @param reference of the answer, kept with the order */
    record Answer(boolean valid, String reference) {}

    /** @param number with its two letters, without spaces */
    Answer ask(String number);
}
