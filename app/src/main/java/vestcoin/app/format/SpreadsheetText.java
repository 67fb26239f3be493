package vestcoin.app.format;

/**
 * Texts in a CSV file as a spreadsheet opens it: one that it would take for a formula gets an apostrophe in front,
 * which is taken off again when the file is read.
 */
public final class SpreadsheetText {
    /** What a spreadsheet takes a formula to begin with. */
    private static final String FORMULA = "=+@-\t\r";

    private SpreadsheetText() {}

    public static String written(String text) {
        return formula(text, 0) ? "'" + text : text;
    }

    public static String read(String text) {
        return text.startsWith("'") && formula(text, 1) ? text.substring(1) : text;
    }

    private static boolean formula(String text, int at) {
        return text.length() > at && FORMULA.indexOf(text.charAt(at)) >= 0;
    }
}
