package vestcoin.app.outside;

/** The application's clock was moved on: what was to happen meanwhile is due. */
public record TimePassed() {}
