package vestcoin.standins.shared;

/** The look of the simulated services' pages, each saying plainly that it is a simulation. */
public final class Html {
    private static final String PAGE = """
            <!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
            <title>%1$s, simulated</title><style>
            body{font:16px/1.5 system-ui,sans-serif;max-width:60rem;margin:2rem auto;padding:0 \
            1rem;color:#222a35;background:#f4f3ef}
            table{border-collapse:collapse;width:100%%}td,th{text-align:left;padding:.3rem .6rem;border-bottom:1px \
            solid #ccc}
            button{font:inherit;padding:.6rem 1.2rem;margin:.3rem .3rem .3rem \
            0}code{font-size:1.05em}.note{border:2px dashed #8a6d1f;padding:.5rem 1rem}
            iframe{width:100%%;height:32rem;border:1px solid \
            #ccc;background:#fff}pre{white-space:pre-wrap;background:#fff;padding:1rem}
            </style><body><p class="note"><strong>This is a simulation.</strong> Nobody outside is asked and no
                money moves.</p><h1>%1$s</h1>
            %2$s""";

    private Html() {}

    /** @param body as HTML */
    public static String page(String title, String body) {
        return PAGE.formatted(escape(title), body);
    }

    public static String escape(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
