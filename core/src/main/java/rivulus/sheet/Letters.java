package rivulus.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/// How wide words are in the typeface that ships.
final class Letters {
    private static final Letters PLAIN = new Letters("Regular");
    private static final Letters BOLD = new Letters("Bold");

    private final TrueTypeFont font;
    private final CmapLookup glyphs;
    private final int perEm;

    private Letters(String weight) {
        try {
            font = font(weight);
            glyphs = font.getUnicodeCmapLookup();
            perEm = font.getUnitsPerEm();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    /// A weight of the typeface, without ligatures: words stay letters that can be searched for.
    static TrueTypeFont font(String weight) throws IOException {
        String path = "/rivulus/fonts/SourceSans3-" + weight + ".ttf";
        try (InputStream in = Letters.class.getResourceAsStream(path)) {
            if (in == null) throw new IOException("the program is damaged: a font is missing");
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in));
            font.setEnableGsub(false);
            return font;
        }
    }

    /// How wide words are.
    static double width(String words, double size, boolean bold) {
        Letters letters = bold ? BOLD : PLAIN;
        return words.codePoints().mapToDouble(letters::advance).sum() * size;
    }

    private synchronized double advance(int sign) {
        try {
            return (double) font.getAdvanceWidth(glyphs.getGlyphId(sign)) / perEm;
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    /// The words, cut short with an ellipsis where they are too wide.
    static String fitted(String words, double room, double size, boolean bold) {
        if (width(words, size, bold) <= room) return words;
        return words.substring(0, fitting(words, room - width("…", size, bold), size, bold)).strip()
                + "…";
    }

    /// How many letters of the words fit. Costs as much as there are letters.
    static int fitting(String words, double room, double size, boolean bold) {
        Letters letters = bold ? BOLD : PLAIN;
        double width = 0;
        int end = 0;
        while (end < words.length()) {
            int sign = words.codePointAt(end);
            width += letters.advance(sign) * size;
            if (width > room) break;
            end += Character.charCount(sign);
        }
        return end;
    }
}
