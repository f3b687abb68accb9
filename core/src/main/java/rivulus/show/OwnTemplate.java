package rivulus.show;

import rivulus.disk.Extras;
import rivulus.gear.Template;

/// A template that is kept with the show, with the text it was written as, so that saving gives it
/// back unchanged.
///
/// @param written the template's fields as the file had them
public record OwnTemplate(Template template, Extras written) {}
