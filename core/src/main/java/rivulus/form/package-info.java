/// Every part of a show as a form: what can be said about it, what may be chosen there in words,
/// and what each answer comes to as an [rivulus.edit.Edit]. Knows nothing of windows.
package rivulus.form;
