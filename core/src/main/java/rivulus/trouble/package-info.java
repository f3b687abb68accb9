/// What is broken when somebody does not hear what the plan says: faults are tried on the graph,
/// and answers weigh them.
///
/// Model-based diagnosis after de Kleer and Williams, *Diagnosing multiple faults* (Artificial
/// Intelligence 32, 1987): every fault says what each ear would report, Bayes weighs faults by what
/// was reported, and the next question is the one that tells most for the time it takes.
package rivulus.trouble;
