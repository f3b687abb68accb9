/// Shows and templates as files: reading with a place for every complaint, writing with a stable
/// order, saving so that nothing is lost, and the journal that survives a kill.
package rivulus.file;
