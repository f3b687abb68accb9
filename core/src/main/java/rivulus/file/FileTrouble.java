package rivulus.file;

/// A file that cannot be used as it is. The message is one line that names the file, the place and
/// what would be right.
public final class FileTrouble extends Exception {
    private static final long serialVersionUID = 1;

    /// Trouble in words.
    public FileTrouble(String message) {
        super(message);
    }

    /// Trouble in words, with what brought it about.
    public FileTrouble(String message, Throwable cause) {
        super(message, cause);
    }
}
