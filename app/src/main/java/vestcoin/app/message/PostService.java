package vestcoin.app.message;

/** What takes e-mails. A real provider is one more class like {@link HttpPost}. */
public interface PostService {
    /**
     * @param mime the whole message as MIME text @throws vestcoin.app.outside.ProviderTimeout or Refusal if it was not
     *     taken
     */
    void send(String mime);
}
