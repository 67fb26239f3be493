package vestcoin.core.message;

/**
 * A country or a part of one named in a message.
 *
 * @param code ISO 3166-1 alpha-2, or 3166-2, as {@code IE} or {@code US-NC}
 */
public record Region(String code) {}
