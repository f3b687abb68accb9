/// How figures and lists are put into words: one minus sign, one thin space, one way to round.
package rivulus.words;
