/// Recorded sound: read and written as WAV (BWF, RF64), streamed, never all in memory; measured
/// (loudness, peaks, what is wrong with it) and compared with other recordings.
///
/// This package knows nothing of shows. Levels are in dBFS (a full-scale sine reads 0 dBFS as a
/// peak), loudness in LUFS (ITU-R BS.1770-5), times in seconds.
package rivulus.sound;
