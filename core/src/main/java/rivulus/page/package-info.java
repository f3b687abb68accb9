/// A page as people write it, read: lines are cut into clauses, words of the trade are found in
/// them (`vocabulary.json`), and what stands between them says who is there, what plays, who
/// listens, what is joined, what happens when and who is to hear whom. Every fact says whether it
/// is sure; what a line leaves open is asked, and a line that holds nothing of sound is put aside.
///
/// It knows no show and no gear of the catalogue.
package rivulus.page;
