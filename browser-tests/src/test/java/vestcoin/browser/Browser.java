package vestcoin.browser;

import com.deque.html.axecore.results.Rule;
import com.deque.html.axecore.selenium.AxeBuilder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.Supplier;
import java.util.logging.Level;
import org.openqa.selenium.By;
import org.openqa.selenium.Dimension;
import org.openqa.selenium.ElementNotInteractableException;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.WindowType;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.logging.LoggingPreferences;
import org.openqa.selenium.support.ui.FluentWait;
import org.openqa.selenium.support.ui.WebDriverWait;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** Debian's Chromium without a monitor, and the few things a test does with it. */
final class Browser implements AutoCloseable {
    /** Roles of what is used, by WAI-ARIA 1.2. */
    private static final List<String> USABLE = List.of(
            "button",
            "link",
            "textbox",
            "checkbox",
            "radio",
            "combobox",
            "listbox",
            "searchbox",
            "spinbutton",
            "switch",
            "menuitem",
            "heading",
            "img",
            "image");

    /** As long as a loaded machine may take; what comes at once is seen at once. */
    private static final Duration PATIENCE = Duration.ofSeconds(30);

    private static final Queue<Browser> IDLE = new ConcurrentLinkedQueue<>();
    private final ChromeDriver driver;
    private final Path profile;
    private int taps;
    private int others;

    private Browser(ChromeDriver driver, Path profile) {
        this.driver = driver;
        this.profile = profile;
    }

    /** A wait of its own each time: one within another says what it waits for itself. */
    private FluentWait<WebDriver> wait(Supplier<String> message) {
        return new WebDriverWait(driver, PATIENCE, Duration.ofMillis(20))
                .ignoring(org.openqa.selenium.StaleElementReferenceException.class)
                .ignoring(org.openqa.selenium.ElementNotInteractableException.class)
                .withMessage(message);
    }

    /**
     * A window that knows nothing yet. The program behind it is started once and used again: starting it takes as long
     * as a short test.
     */
    static Browser open(int width, int height) throws IOException {
        Browser idle = IDLE.poll();
        Browser browser = idle == null ? started() : new Browser(idle.driver, idle.profile);
        browser.driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", width < 600));
        browser.driver.manage().window().setSize(new Dimension(width, height));
        return browser;
    }

    private static Browser started() throws IOException {
        Path profile = Files.createTempDirectory("vest-coin-chromium");
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        if (System.getenv("VEST_COIN_WATCHED") == null) {
            options.addArguments("--headless=new");
        }
        options.addArguments(
                "--no-sandbox",
                "--disable-gpu",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--hide-scrollbars",
                "--user-data-dir=" + profile);
        // As most browsers are by now: what is shown within a page of another site keeps no cookies.
        options.setExperimentalOption(
                "prefs", Map.of("profile.block_third_party_cookies", true, "profile.cookie_controls_mode", 1));
        LoggingPreferences logs = new LoggingPreferences();
        logs.enable(LogType.BROWSER, Level.SEVERE);
        options.setCapability("goog:loggingPrefs", logs);
        ChromeDriverService service = new ChromeDriverService.Builder()
                .usingDriverExecutable(Path.of("/usr/bin/chromedriver").toFile())
                .usingAnyFreePort()
                .build();
        Browser browser = new Browser(new ChromeDriver(service, options), profile);
        Runtime.getRuntime().addShutdownHook(new Thread(browser::quit, "ends Chromium"));
        return browser;
    }

    /** A window at the desk, with the demo's owner signed in. */
    static Browser atDesk(RunningShop.Running shop) throws IOException {
        Browser browser = open(1280, 800);
        browser.go(shop.url() + "/desk");
        browser.fill("input[name=email]", DemoShop.EMAIL);
        browser.fill("input[name=password]", DemoShop.PASSWORD);
        browser.keys(Keys.ENTER);
        browser.see("nav[aria-label=Stations]");
        return browser;
    }

    /** As slow as a phone: so many times slower than this machine; one for as fast as it is. */
    void slowed(int times) {
        driver.executeCdpCommand("Emulation.setCPUThrottlingRate", Map.of("rate", times));
    }

    void dark(boolean dark) {
        driver.executeCdpCommand(
                "Emulation.setEmulatedMedia",
                Map.of(
                        "features",
                        List.of(
                                Map.of("name", "prefers-reduced-motion", "value", "reduce"),
                                Map.of("name", "prefers-color-scheme", "value", dark ? "dark" : "light"))));
    }

    void go(String url) {
        driver.get(url);
    }

    /** Goes on within a frame of the page. */
    void within(String frame) {
        driver.switchTo().frame(see(frame));
    }

    /** Goes on in the page around a frame. */
    void around() {
        driver.switchTo().defaultContent();
    }

    /** Loads the page again. */
    void reload() {
        driver.navigate().refresh();
    }

    /** The element once it can be seen. */
    WebElement see(By by) {
        return wait(() -> by + " is not to be seen; " + page()).until(d -> {
            List<WebElement> found =
                    d.findElements(by).stream().filter(WebElement::isDisplayed).toList();
            return found.isEmpty() ? null : found.get(0);
        });
    }

    /** What the page says, for a failed wait. */
    private String page() {
        String text = driver.findElement(By.tagName("body")).getText();
        return driver.getCurrentUrl() + " says: " + text.substring(0, Math.min(text.length(), 1500))
                + driver.manage().logs().get(LogType.BROWSER).getAll();
    }

    WebElement see(String css) {
        return see(By.cssSelector(css));
    }

    WebElement seeText(String text) {
        return see(text(text));
    }

    /** What shows exactly this text, the innermost. */
    static By text(String text) {
        return By.xpath("//*[normalize-space(.)=\"" + text + "\" and not(.//*[normalize-space(.)=\"" + text + "\"])]");
    }

    void click(By by) {
        again(() -> {
            WebElement element = see(by);
            driver.executeScript("arguments[0].scrollIntoView({block:'center'})", element);
            element.click();
        });
        taps++;
    }

    /** How often something was clicked, or tapped on a phone. */
    int taps() {
        return taps;
    }

    /** What was done so far: each click, each key or chord, each field typed. */
    int actions() {
        return taps + others;
    }

    /** A page may draw an element anew between finding it and using it; then it is found again. */
    private void again(Runnable action) {
        wait(this::page).until(d -> {
            action.run();
            return true;
        });
    }

    void click(String css) {
        click(By.cssSelector(css));
    }

    void clickText(String text) {
        click(text(text));
    }

    /** Types into a field; into one of a dialog, which takes nothing while it is just opening, until it is in it. */
    void fill(String css, String value) {
        others++;
        again(() -> {
            WebElement field = see(css);
            field.sendKeys(Keys.chord(Keys.CONTROL, "a"), value);
            if (css.startsWith("dialog[open]") && "".equals(field.getDomProperty("value"))) {
                throw new ElementNotInteractableException("what was typed into " + css + " is not in it");
            }
        });
    }

    /** Gives a file to an input that may not be seen. */
    void upload(String css, java.nio.file.Path file) {
        others++;
        again(() -> driver.findElement(By.cssSelector(css))
                .sendKeys(file.toAbsolutePath().toString()));
    }

    void choose(String css, String value) {
        others++;
        again(() -> new org.openqa.selenium.support.ui.Select(see(css)).selectByValue(value));
    }

    /** Gives a day or a time to its field, which takes no typed text as it is written. */
    void set(String css, String value) {
        others++;
        String script = "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;"
                + "set.call(arguments[0], arguments[1]);"
                + "arguments[0].dispatchEvent(new Event('input', { bubbles: true }));";
        again(() -> driver.executeScript(script, see(css), value));
    }

    void keys(CharSequence... keys) {
        others += keys.length;
        // What has the focus may just be going, as a button of a dialog that closes; then the keys wait.
        again(() -> driver.switchTo().activeElement().sendKeys(keys));
    }

    void waitFor(String what, java.util.function.BooleanSupplier condition) {
        wait(() -> what + "; " + page()).until(d -> condition.getAsBoolean());
    }

    /** How many of them can be seen. */
    int count(By by) {
        return (int)
                driver.findElements(by).stream().filter(WebElement::isDisplayed).count();
    }

    boolean shows(String text) {
        return see("body").getText().contains(text);
    }

    Object script(String script, Object... arguments) {
        return driver.executeScript(script, arguments);
    }

    Object asyncScript(String script, Object... arguments) {
        return driver.executeAsyncScript(script, arguments);
    }

    String url() {
        return driver.getCurrentUrl();
    }

    /**
     * Everything axe-core finds wrong on the page, a line each. In one frame, without the second window it opens
     * otherwise: no page here has frames.
     */
    List<String> violations() {
        return lines(new AxeBuilder());
    }

    /** What axe-core finds wrong with contrast alone: the one thing that differs by theme. */
    List<String> contrast() {
        return lines(new AxeBuilder().withOnlyRules(List.of("color-contrast")));
    }

    private List<String> lines(AxeBuilder axe) {
        return axe.setLegacyMode(true).analyze(driver).getViolations().stream()
                .map(Browser::line)
                .toList();
    }

    private static String line(Rule rule) {
        return rule.getId() + ": " + rule.getHelp() + " at "
                + rule.getNodes().stream()
                        .limit(3)
                        .map(node -> String.valueOf(node.getTarget()))
                        .toList() + " "
                + rule.getNodes().stream()
                        .limit(1)
                        .map(node -> node.getAny().stream()
                                .map(check -> check.getMessage())
                                .toList())
                        .toList();
    }

    /** What can be used on the page and has no name in the tree a screen reader reads, a line each. */
    @SuppressWarnings("unchecked")
    List<String> unnamed() {
        List<Map<String, Object>> nodes =
                (List<Map<String, Object>>) driver.executeCdpCommand("Accessibility.getFullAXTree", Map.of())
                        .get("nodes");
        return nodes.stream()
                .filter(node -> !(Boolean) node.get("ignored"))
                .filter(node -> USABLE.contains(value(node, "role")))
                .filter(node -> value(node, "name").isBlank())
                .map(node -> value(node, "role") + " " + node.get("properties"))
                .toList();
    }

    private static String value(Map<String, Object> node, String property) {
        return node.get(property) instanceof Map<?, ?> held ? String.valueOf(held.get("value")) : "";
    }

    /** Whether the page is wider than the window. */
    boolean scrollsSideways() {
        return (Boolean) driver.executeScript("return document.documentElement.scrollWidth > window.innerWidth + 1");
    }

    /** Forgets everything: cookies, what pages kept, the window itself. */
    @Override
    public void close() {
        String origin = String.valueOf(driver.executeScript("return location.origin"));
        if (origin.startsWith("http")) {
            driver.executeCdpCommand("Storage.clearDataForOrigin", Map.of("origin", origin, "storageTypes", "all"));
        }
        driver.executeCdpCommand("Network.clearBrowserCookies", Map.of());
        String before = driver.getWindowHandle();
        String fresh = driver.switchTo().newWindow(WindowType.TAB).getWindowHandle();
        driver.switchTo().window(before).close();
        driver.switchTo().window(fresh);
        driver.manage().logs().get(LogType.BROWSER);
        IDLE.add(this);
    }

    private void quit() {
        driver.quit();
        try (var files = Files.walk(profile)) {
            files.sorted(java.util.Comparator.reverseOrder())
                    .forEach(file -> file.toFile().delete());
        } catch (IOException e) {
            // A profile left in the temporary folder harms nobody.
            return;
        }
    }
}
