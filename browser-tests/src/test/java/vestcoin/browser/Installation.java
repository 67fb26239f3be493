package vestcoin.browser;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.openqa.selenium.Keys;
import org.springframework.context.ConfigurableApplicationContext;
import vestcoin.app.RunningShop;
import vestcoin.app.run.ServeCommand;

/** An installation nobody has visited yet, as {@code ./vest-coin start} makes it, and a window at its first page. */
final class Installation implements AutoCloseable {
    static final String PASSWORD = "four quiet brown words";

    final String url;
    private final String services;
    final Browser browser;
    private final ConfigurableApplicationContext context;

    private Installation(String url, String services, Browser browser, ConfigurableApplicationContext context) {
        this.url = url;
        this.services = services;
        this.browser = browser;
        this.context = context;
    }

    static Installation empty() throws IOException {
        int port = RunningShop.freePort();
        String services = "http://127.0.0.1:" + RunningShop.freePort();
        ConfigurableApplicationContext context = ServeCommand.application(
                port,
                Files.createTempDirectory("vest-coin-new"),
                services,
                RunningShop.FOR_TESTS.toArray(String[]::new));
        Browser browser = Browser.open(1280, 800);
        browser.go("http://127.0.0.1:" + port + "/");
        return new Installation("http://127.0.0.1:" + port, services, browser, context);
    }

    /** The first visit: a shop of this name in a country called so. Ends at the first questions. */
    void founded(String name, String country) {
        browser.fill("input[name=shopName]", name);
        browser.fill("input[name=code]", RunningShop.FIRST_CODE);
        browser.fill("input[name=country]", country);
        browser.fill("input[name=email]", "owner@shop.example");
        browser.fill("input[name=password]", PASSWORD);
        browser.keys(Keys.ENTER);
        browser.waitFor("the first questions", () -> browser.url().endsWith("/begin"));
    }

    /** The provider has looked at the accounts and approves them, at its own desk. */
    void approveAccounts() throws IOException, InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        String page = http.send(
                        HttpRequest.newBuilder(URI.create(services + "/cards/")).build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
        String all = Pattern.compile("name=(approved-[a-z0-9-]+)")
                .matcher(page)
                .results()
                .map(found -> found.group(1) + "=on")
                .collect(Collectors.joining("&"));
        http.send(
                HttpRequest.newBuilder(URI.create(services + "/cards/control"))
                        .POST(HttpRequest.BodyPublishers.ofString(all))
                        .build(),
                HttpResponse.BodyHandlers.discarding());
    }

    @Override
    public void close() {
        browser.close();
        context.close();
    }
}
