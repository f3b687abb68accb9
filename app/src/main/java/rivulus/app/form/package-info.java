/// What every form in the window is made of: a row for each field, and the deeds below.
package rivulus.app.form;
