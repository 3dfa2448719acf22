package dev.deftchisel.generate;

import dev.deftchisel.member.AccessorNames;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.member.TypeText;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.List;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** What bound properties look like (JavaBeans 7.4). */
final class NotificationText {

    /** Kinds for which the method that fires whole numbers would be taken, and would tell listeners numbers. */
    private static final Set<TypeKind> WIDENED = Set.of(TypeKind.BYTE, TypeKind.SHORT, TypeKind.CHAR);

    private final TargetClass target;
    private final TypeWriter writer;
    private final String support;
    private final String telling;

    /**
     * @param support what keeps the listeners, with a point after it
     * @param telling what is called to tell them
     */
    NotificationText(TargetClass target, TypeWriter writer, String support, String telling) {
        this.target = target;
        this.writer = writer;
        this.support = support;
        this.telling = telling;
    }

    private String beans(String simple) {
        return writer.name(target.code().elements().getTypeElement("java.beans." + simple));
    }

    /** The field that knows the listeners. */
    List<String> support(String name) {
        String type = beans("PropertyChangeSupport");
        return List.of("private final " + type + " " + name + " = new " + type + "(this);");
    }

    /** The method by which a listener comes or goes: {@code add} or {@code remove}. */
    List<String> listeners(String verb) {
        String method = verb + "PropertyChangeListener";
        return List.of("public void " + method + "(" + CodingStyle.of(target)
                .parameter() + beans("PropertyChangeListener") + " listener) {",
                "    " + support + method + "(listener);", "}");
    }

    /** The method that sets a property and tells the listeners; they are told nothing when nothing changes. */
    List<String> setter(StateField part, String visibility) {
        String type = TypeText.of(part, writer);
        String old = "old" + part.capitalized();
        String value = (WIDENED.contains(part.type().getKind()) ? "(Object) " : "") + old;
        return List.of(visibility + "void " + AccessorNames.BEANS.writer(part) + "(" + CodingStyle.of(target)
                .parameter() + type + " "
                + part.name() + ") {",
                "    " + type + " " + old + " = this." + part.name() + ";",
                "    this." + part.name() + " = " + part.name() + ";",
                "    " + telling + "(\"" + property(part) + "\", " + value + ", " + part.name() + ");", "}");
    }

    /** The name that the property has by its setter (JavaBeans 8.3, 8.8). */
    private static String property(StateField part) {
        String setter = AccessorNames.BEANS.writer(part).substring("set".length());
        boolean staysBig = setter.length() > 1 && Character.isUpperCase(setter.charAt(0))
                && Character.isUpperCase(setter.charAt(1));
        return staysBig ? setter : Character.toLowerCase(setter.charAt(0)) + setter.substring(1);
    }
}
