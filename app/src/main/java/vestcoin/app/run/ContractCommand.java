package vestcoin.app.run;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.concurrent.Callable;
import org.springframework.context.ConfigurableApplicationContext;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.format.Json;
import vestcoin.app.format.Schemas;
import vestcoin.app.setup.Document;
import vestcoin.app.storefront.StructuredData;

/**
 * Writes the contract: the description of the HTTP API and the JSON Schemas of the documents, generated from the code.
 */
@Command(name = "contract", hidden = true, description = "Writes docs/formats from the code.")
public final class ContractCommand implements Callable<Integer> {
    /** What {@link #store} is kept as, among the examples. */
    public static final String STORE = "tern-and-tether.store.jsonld";

    @Option(names = "--out", required = true)
    Path out;

    @Override
    public Integer call() throws IOException, InterruptedException {
        for (String document : Schemas.DOCUMENTS.keySet()) {
            Files.writeString(out.resolve(document + ".schema.json"), Schemas.document(document));
        }
        Files.writeString(out.resolve("examples").resolve(STORE), store());
        Path data = Files.createTempDirectory("vest-coin-contract");
        int port;
        try (ServerSocket socket = new ServerSocket(0)) {
            port = socket.getLocalPort();
        }
        try (ConfigurableApplicationContext context =
                ServeCommand.application(port, data, "http://127.0.0.1:1", "--springdoc.api-docs.enabled=true")) {
            Files.writeString(out.resolve("openapi.json"), openApi(port));
        }
        return 0;
    }

    /** The demo shop as schema.org data, at an instant that is always the same. */
    public static String store() {
        return Json.pretty(StructuredData.of(
                Document.parse(DemoShop.setupFile()).compiled(),
                "https://shop.example/shops/" + DemoShop.SHOP,
                Instant.parse("2026-11-25T10:00:00Z")));
    }

    /** The description as the running application gives it, in a stable form. */
    public static String openApi(int port) throws IOException, InterruptedException {
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/openapi"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        return Json.pretty(Json.tree(answer.body()));
    }
}
