/// The ground floor for files: JSON as a tree that knows its places, complaints in one line, text
/// of bearable size read, and bytes written whole or not at all. Knows nothing of shows or gear.
package rivulus.disk;
