package rivulus.disk;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/// What tells whether the contents of a file have changed.
///
/// @param digest SHA-256 in hexadecimal; empty for a file that is not there
public record Fingerprint(String digest) {
    /// Of a file that is not there.
    public static final Fingerprint NONE = new Fingerprint("");

    /// Of contents.
    public static Fingerprint of(byte[] bytes) {
        return new Fingerprint(HexFormat.of().formatHex(sha().digest(bytes)));
    }

    /// Of what is in a file now; [#NONE] where nothing is.
    static Fingerprint at(Path file) throws IOException {
        if (!Files.exists(file)) return NONE;
        MessageDigest sha = sha();
        try (InputStream in = new DigestInputStream(Files.newInputStream(file), sha)) {
            in.transferTo(java.io.OutputStream.nullOutputStream());
        }
        return new Fingerprint(HexFormat.of().formatHex(sha.digest()));
    }

    private static MessageDigest sha() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java has SHA-256", impossible);
        }
    }
}
