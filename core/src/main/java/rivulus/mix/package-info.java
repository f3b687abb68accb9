/// Mixes as sentences: read and written ([rivulus.mix.MixLanguage]), the feeds of a show with what
/// they carry and what the brief would ask for ([rivulus.mix.Feeds]), and knobs turned so that they
/// carry it ([rivulus.mix.MixWriting]).
package rivulus.mix;
