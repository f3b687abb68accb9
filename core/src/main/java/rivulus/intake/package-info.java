/// Lists that others have written, taken into a show: which column means what, and what each row
/// would change, told before anything is changed.
package rivulus.intake;
