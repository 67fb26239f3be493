package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.openqa.selenium.Keys;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** Nothing lies beside, under or outside of where it belongs. */
class LooksTest extends AtDesk {
    /** Name and contrast of every placeholder and every button that cannot be pressed, as WCAG 2.2 has it. */
    private static final String CONTRASTS = """
            const pen = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
            const rgb = colour => { pen.clearRect(0, 0, 1, 1); pen.fillStyle = colour; pen.fillRect(0, 0, 1, \
                1); return [...pen.getImageData(0, 0, 1, 1).data]; };
            const behind = element => { for (let e = element; e; e = e.parentElement) { const c = \
                rgb(getComputedStyle(e).backgroundColor); if (c[3] === 255) return c; } return [255, 255, 255, \
                255]; };
            const light = c => [0.2126, 0.7152, 0.0722].reduce((sum, w, i) => { const v = c[i] / 255; return \
                sum + w * (v <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4); }, 0);
            const over = (c, b) => c.map((v, i) => i === 3 ? 255 : v * c[3] / 255 + b[i] * (1 - c[3] / 255));
            const contrast = (colour, element, opacity) => { const b = behind(element); const c = rgb(colour); \
                c[3] *= opacity; const [x, y] = [light(over(c, b)), light(b)].sort((p, q) => q - p); return (x + \
                0.05) / (y + 0.05); };
            const all = [...document.querySelectorAll('input[placeholder]')].filter(e => e.offsetParent && \
                !e.value).map(e => { const s = getComputedStyle(e, '::placeholder'); return [e.placeholder, \
                contrast(s.color, e, Number(s.opacity))]; })
                .concat([...document.querySelectorAll('button[disabled]')].filter(e => e.offsetParent).map(e => \
                    { const s = getComputedStyle(e); return [e.innerText, contrast(s.color, e, Number(s.opacity))]; \
                    }));
            return all;""";

    LooksTest(RunningShop.Running shop) {
        super(shop);
    }

    @Test
    void the_hours_under_a_week_stand_at_their_columns_and_the_last_is_there() {
        at("pickup");
        browser.see("[role=grid]");
        List<?> off = (List<?>) browser.script("""
                const grid = document.querySelector('[role=grid]');
                const cells = [...grid.querySelectorAll('tbody tr:first-child [role=gridcell]')];
                const labels = [...(grid.querySelectorAll('tfoot span').length ? grid.querySelectorAll('tfoot \
                span') : grid.nextElementSibling.querySelectorAll('span'))];
                return labels.map(label => {
                    const at = label.getBoundingClientRect();
                    const hour = Number(label.textContent);
                    const cell = cells[(hour - 6) * 2];
                    const edge = cell ? cell.getBoundingClientRect().left : cells.at(-1).getBoundingClientRect().right;
                    return Math.round(Math.abs((at.left + at.right) / 2 - edge));
                });""");
        assertThat(off).hasSize(5).allMatch(pixels -> (Long) pixels <= 4);
        assertThat((Boolean)
                        browser.script("const s = [...document.querySelectorAll('[role=grid] tfoot span')].at(-1); "
                                + "const m = "
                                + "document.querySelector('main').getBoundingClientRect(); "
                                + "return !!s && s.getBoundingClientRect().right <= m.right"))
                .as("the last hour is not cut")
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"shop", "pickup", "payment", "terms"})
    void what_stands_or_could_stand_in_a_field_is_not_cut(String station) {
        at(station);
        browser.see("main [data-path]");
        List<?> cut = (List<?>) browser.script("""
                const pen = document.createElement('canvas').getContext('2d');
                return [...document.querySelectorAll('main \
                input:not([type=checkbox]):not([type=radio]):not([type=file]), main select')].filter(field => \
                field.offsetParent).filter(field => {
                    const style = getComputedStyle(field);
                    pen.font = style.font;
                    const text = field.tagName === 'SELECT' ? field.selectedOptions[0]?.text ?? '' : field.value || \
                    field.placeholder;
                    const room = field.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight) \
                    - (field.tagName === 'SELECT' ? 4 : 0);
                    return pen.measureText(text).width > room + 1;
                }).map(field => (field.dataset.path ?? field.name) + ': ' + (field.value || field.placeholder));""");
        // A sentence of the seller's own may be longer than any field.
        assertThat(cut)
                .filteredOn(field -> !String.valueOf(field).contains("/sentence")
                        && !String.valueOf(field).contains("terms/"))
                .isEmpty();
    }

    @Test
    void a_station_opens_at_its_top_however_far_down_the_one_before_was() {
        at("goods");
        browser.see("main [role=gridcell], main td");
        browser.script("document.querySelector('main').scrollTo(0, 9e9)");
        browser.keys(Keys.chord(Keys.ALT, "4"));
        browser.waitFor("Pickup", () -> browser.url().endsWith("/pickup"));
        browser.waitFor(
                "at its top",
                () -> ((Number) browser.script("return document.querySelector('main').scrollTop")).intValue() == 0);
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void placeholders_and_what_cannot_be_pressed_are_readable(boolean dark) {
        browser.dark(dark);
        int looked = 0;
        for (String station : List.of("shop", "goods", "delivery", "pickup", "tax", "payment", "terms")) {
            at(station);
            browser.see("main h1");
            browser.waitFor("read", () -> browser.shows("to pay") || browser.shows("To pay"));
            browser.script("document.querySelectorAll('main details').forEach(fold => { fold.open = true; })");
            List<?> found = (List<?>) browser.script(CONTRASTS);
            looked += found.size();
            assertThat(found.stream()
                            .map(each -> (List<?>) each)
                            .filter(each -> ((Number) each.get(1)).doubleValue() < 4.5))
                    .as(station)
                    .isEmpty();
        }
        assertThat(looked).as("placeholders and buttons looked at").isGreaterThan(40);
    }

    @Test
    void an_order_that_comes_meanwhile_is_counted_without_a_reload() {
        at("shop");
        browser.see("nav[aria-label=Stations]");
        String count = "return Number([...document.querySelectorAll('header a')].find(a => "
                + "a.textContent.startsWith('Orders')).textContent.replace(/[^0-9]/g, ''))";
        browser.waitFor("counted", () -> ((Number) browser.script(count)).intValue() > 0);
        int before = ((Number) browser.script(count)).intValue();
        new Caller(shop.url()).placeBook();
        browser.script("document.dispatchEvent(new Event('visibilitychange', { bubbles: true }))");
        browser.waitFor("one more", () -> ((Number) browser.script(count)).intValue() == before + 1);
    }

    @Test
    void on_a_phone_what_has_the_cursor_stands_above_the_total() throws Exception {
        try (Browser phone = Browser.open(390, 844)) {
            phone.go(shop.url() + "/counter/" + DemoShop.SHOP);
            phone.click("[aria-label='Put Kites You Can Build, book into the basket']");
            phone.clickText("Go on to the address");
            phone.see("input[autocomplete=name]");
            phone.script("window.scrollTo(0, 0); [...document.querySelectorAll('button')].find(b => "
                    + "b.textContent.includes('Go on to delivery')).focus()");
            phone.waitFor("above it", () -> (Boolean) phone.script("""
                    const button = document.activeElement.getBoundingClientRect();
                    return button.bottom <= document.querySelector('aside').getBoundingClientRect().top + 1;"""));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"goods", "payment", "pickup", "opening", "orders"})
    void on_a_phone_the_head_is_a_line_and_the_thread_another(String station) throws Exception {
        try (Browser phone = Browser.open(390, 844)) {
            phone.go(shop.url() + "/desk");
            phone.fill("input[name=email]", DemoShop.EMAIL);
            phone.fill("input[name=password]", DemoShop.PASSWORD);
            phone.keys(Keys.ENTER);
            phone.see("nav[aria-label=Stations]");
            phone.go(shop.url() + DESK + "/" + station);
            phone.see("main h1");
            assertThat(((Number) phone.script("return document.querySelector('header').offsetHeight")).intValue())
                    .isLessThan(60);
            assertThat(((Number) phone.script("return document.querySelector('main').getBoundingClientRect().top"))
                            .intValue())
                    .as("an eighth of the screen")
                    .isLessThan(844 / 7);
            assertThat(phone.scrollsSideways()).isFalse();
        }
    }
}
