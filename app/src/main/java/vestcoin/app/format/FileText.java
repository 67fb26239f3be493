package vestcoin.app.format;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/** The text of a file that somebody has saved with whatever they work with. */
public final class FileText {
    private static final String ORDER_MARK = "\uFEFF";
    private static final Charset WESTERN = Charset.forName("windows-1252");

    private FileText() {}

    /**
     * By its byte-order mark, else UTF-8 where it is that, else what old spreadsheets write in the West (Windows-1252).
     *
     * @param file null for none
     */
    public static String of(byte[] file) {
        if (file == null) {
            return "";
        }
        String begins = new String(file, 0, Math.min(2, file.length), StandardCharsets.ISO_8859_1);
        if (begins.equals("\u00ff\u00fe") || begins.equals("\u00fe\u00ff")) {
            return new String(file, StandardCharsets.UTF_16);
        }
        try {
            return withoutMark(StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString());
        } catch (CharacterCodingException e) {
            return new String(file, WESTERN);
        }
    }

    /** A text without the byte-order mark it may begin with. */
    public static String withoutMark(String text) {
        return text.startsWith(ORDER_MARK) ? text.substring(1) : text;
    }
}
