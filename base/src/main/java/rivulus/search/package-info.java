/// One best-first search, with a budget, whose answer says whether it is complete.
package rivulus.search;
