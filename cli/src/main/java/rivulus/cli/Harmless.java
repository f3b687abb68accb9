package rivulus.cli;

import java.io.FilterWriter;
import java.io.IOException;
import java.io.Writer;
import rivulus.disk.Line;

/// Keeps control characters from a terminal: whatever a file's names hold, it sees text, line
/// breaks and tabs only.
final class Harmless extends FilterWriter {
    Harmless(Writer out) {
        super(out);
    }

    private static char harmless(char sign) {
        boolean ours = sign == '\n' || sign == '\r' || sign == '\t';
        boolean half = Character.isSurrogate(sign);
        return !ours && !half && Line.isHarmful(sign) ? '\uFFFD' : sign;
    }

    @Override
    public void write(int sign) throws IOException {
        out.write(harmless((char) sign));
    }

    @Override
    public void write(char[] signs, int from, int length) throws IOException {
        write(new String(signs, from, length), 0, length);
    }

    @Override
    public void write(String text, int from, int length) throws IOException {
        StringBuilder plain = new StringBuilder(length);
        for (int i = from; i < from + length; i++) plain.append(harmless(text.charAt(i)));
        out.write(plain.toString());
    }
}
