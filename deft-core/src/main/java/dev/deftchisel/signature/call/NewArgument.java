package dev.deftchisel.signature.call;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.change.SignatureChange;
import dev.deftchisel.signature.change.TypedCode;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.VariableElement;

/** What is passed at one place for a parameter that was not there: what the header says, or a variable in reach. */
final class NewArgument {

    private final TypedCode typed;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TreePath place;

    /**
     * @param typed what is written in the file of the place
     * @param place the call, or where one will stand
     */
    NewArgument(TypedCode typed, TreePath place) {
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.place = place;
    }

    /** Whether nothing need be passed: the parameter is of any number. */
    boolean isOptional(int index) {
        return change.types().method().isVarArgs() && index == change.origins().size() - 1;
    }

    /**
     * The code of the value; empty when there is none.
     *
     * @param index of the typed parameter
     */
    Optional<String> value(int index) {
        Optional<Range> said = change.typed().parameters().get(index).value();
        return said.isPresent() ? said.map(typed::value) : inReach(index);
    }

    /** Why there is no value, and what helps. */
    Reason objection(int index) {
        return Reason.at(code.file().path(), code.range(place.getLeaf()), "nothing here is a '" + change.name(index)
                + "' that this call could pass; type what calls pass: '"
                + change.typed().at(change.typed().parameters().get(index).type()) + " " + change.name(index)
                + " = ...'");
    }

    /** The variable of the name and type of the parameter, else the only one of its type; the innermost kind first. */
    private Optional<String> inReach(int index) {
        String type = change.types().code().descriptor(change.type(index));
        List<VariableElement> fitting = code.visible(place).stream()
                .filter(element -> element instanceof VariableElement && !element.getSimpleName().contentEquals("this")
                        && !element.getSimpleName().contentEquals("super")
                        && code.descriptor(element.asType()).equals(type))
                .map(element -> (VariableElement) element).toList();
        Optional<VariableElement> named = fitting.stream()
                .filter(variable -> variable.getSimpleName().contentEquals(change.name(index))).findFirst();
        List<VariableElement> local = fitting.stream().filter(variable -> !variable.getKind().isField()).toList();
        List<VariableElement> nearest = local.isEmpty() ? fitting : local;
        return named.or(() -> nearest.size() == 1 ? Optional.of(nearest.get(0)) : Optional.empty())
                .map(Element::getSimpleName).map(Object::toString);
    }
}
