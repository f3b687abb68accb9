package rivulus.app.brief;

import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.form.Form;
import rivulus.form.Forms;
import rivulus.form.Outline;
import rivulus.gear.Catalogue;

/// What a show says, and the one part of it that is looked at.
///
/// @param form empty where all is looked at
record SaySight(Picture picture, Outline outline, Optional<Form> form) {
    static SaySight of(Picture picture, String key, Catalogue catalogue) {
        Forms forms = new Forms(picture.show(), catalogue);
        return new SaySight(picture, forms.outline(), forms.form(key));
    }
}
