package rivulus.app.brief;

import java.util.List;
import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.form.Form;
import rivulus.form.Forms;
import rivulus.form.Outline;
import rivulus.form.Steps;
import rivulus.gear.Catalogue;

/// What a show says, and the one part of it that is looked at.
///
/// @param form empty where all is looked at
record SaySight(Picture picture, List<Steps.Step> steps, Outline outline, Optional<Form> form) {
    static SaySight of(Picture picture, String key, Catalogue catalogue) {
        Forms forms = new Forms(picture.show(), catalogue);
        return new SaySight(
                picture, Steps.of(picture.proof(), catalogue), forms.outline(), forms.form(key));
    }
}
