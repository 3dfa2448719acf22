package dev.deftchisel.signature.plan;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.ObjectUses;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.TypeElement;

/**
 * A method that becomes static, with or without a parameter for the object that it was called on, or one that was
 * static and is called on what was passed for a parameter: what it needs for that.
 */
public final class MovedObject {

    private final Analysis before;
    private final SignatureChange change;
    private final DeclaredHeader own;
    private final AttributedFile code;
    private final TypeElement type;

    public MovedObject(Analysis before, SignatureChange change) {
        this.before = before;
        this.change = change;
        this.own = change.own();
        this.code = own.code();
        this.type = (TypeElement) own.element().getEnclosingElement();
    }

    /** Where the body uses the object, while there is one. */
    public List<ObjectUses.Use> uses() {
        MethodTree method = (MethodTree) own.path().getLeaf();
        return method.getBody() == null ? List.of()
                : ObjectUses.of(code, new TreePath(own.path(), method.getBody()), type);
    }

    /**
     * What is in the way.
     *
     * @param family the methods that change together
     */
    public Optional<Reason> objection(Set<SymbolKey> family) {
        Optional<SymbolKey> other = family.stream().filter(key -> !key.equals(code.key(own.element()))).findFirst();
        if (other.isPresent()) {
            return at(own.name(), "the method goes together with " + before.symbol(other.get())
                    .map(Symbol::signature).orElse("another") + ", which overrides it or is overridden, so it must be "
                    + "called on an object");
        } else if (type.getKind().isInterface()) {
            return at(own.name(), "the method is a member of an interface; move it to a class first");
        } else if (type.getNestingKind() != NestingKind.TOP_LEVEL && !type.getModifiers().contains(Modifier.STATIC)) {
            return at(own.name(), "the method is a member of an inner class, which has objects around; make that "
                    + "static first");
        } else if (own.element().getModifiers().contains(Modifier.SYNCHRONIZED)
                || own.element().getModifiers().contains(Modifier.NATIVE)
                || own.element().getModifiers().contains(Modifier.ABSTRACT)) {
            return at(own.name(), "a method that is synchronized, native or abstract is tied to what it is called on");
        }
        return change.becomesStatic() ? ofStatic() : ofInstance();
    }

    private Optional<Reason> ofStatic() {
        Optional<Integer> parameter = change.receivingParameter();
        if (change.typed().object().isPresent()) {
            return header(change.typed().object().get().name(), "a static method has no 'this'; call the parameter "
                    + "otherwise and give it the object: '= this'");
        } else if (parameter.filter(index -> index > 0).isPresent()) {
            return header(change.typed().parameters().get(parameter.get()).name(), "the object is found before all "
                    + "arguments; put its parameter first");
        } else if (parameter.isPresent() && !isOwnType(change.types().code().descriptor(change.type(0)))) {
            return header(change.typed().parameters().get(0).type(), "the object is a '" + type.getSimpleName() + "'");
        }
        for (ObjectUses.Use use : uses()) {
            if (use.form() == ObjectUses.Form.BOUND) {
                return at(use.range(), "this is tied to the object, and no parameter could stand for it");
            } else if (parameter.isEmpty()) {
                return at(use.range(), "the object is used here; type a parameter for it: '" + type.getSimpleName()
                        + " " + Character.toLowerCase(type.getSimpleName().charAt(0))
                        + type.getSimpleName().toString().substring(1) + " = this'");
            }
        }
        return Optional.empty();
    }

    private Optional<Reason> ofInstance() {
        TypedHeader.TypedParameter object = change.typed().object().orElseThrow();
        Optional<Integer> index = change.objectParameter();
        if (!own.element().getModifiers().contains(Modifier.STATIC)) {
            return header(object.name(), "the method has an object already");
        } else if (index.isEmpty()) {
            return header(object.name(), "there is not one parameter '" + change.typed().at(object.type())
                    + "' besides those that stay, which could be the object");
        } else if (index.get() > 0) {
            return header(object.name(), "the object is found before all arguments; put '" + change.oldName(index.get())
                    + "' first, then make it 'this'");
        } else if (!isOwnType(code.descriptor(own.element().getParameters().get(index.get()).asType()))) {
            return header(object.type(), "'this' would be a '" + type.getSimpleName() + "'");
        }
        SymbolKey parameter = code.key(own.element().getParameters().get(index.get()));
        Optional<Binding> written = before.uses(parameter).stream().filter(use -> use.role() == Role.WRITE).findFirst();
        Optional<Binding> imported = before.uses(code.key(own.element())).stream()
                .filter(use -> use.role() == Role.IMPORT).findFirst();
        return written.map(use -> Reason.at(use.file(), use.range(), "the parameter gets another value here, which "
                + "'this' cannot")).or(() -> imported.map(use -> Reason.at(use.file(), use.range(),
                "the method is imported here; call it by its class first")));
    }

    private boolean isOwnType(String descriptor) {
        return descriptor.equals(code.descriptor(code.types().erasure(type.asType())));
    }

    private Optional<Reason> at(Range range, String sentence) {
        return Optional.of(Reason.at(code.file().path(), range, sentence));
    }

    private static Optional<Reason> header(Range range, String sentence) {
        return Optional.of(Reason.of(HeaderReader.at(range.start(), sentence)));
    }
}
