package rivulus.app.session;

import rivulus.disk.FileTrouble;

/// Told what came of saving, on the interface thread.
public interface SavingTold {
    /// It is saved.
    void saved();

    /// It cannot be written; nothing is lost.
    void failed(FileTrouble trouble);

    /// Somebody else has changed the file, and it was left as it is.
    void changed(Elsewhere elsewhere);
}
