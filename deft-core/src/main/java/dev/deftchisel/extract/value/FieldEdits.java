package dev.deftchisel.extract.value;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.member.parameter.ConstructionEscape;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Transplant;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.function.Consumer;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.TypeMirror;

/** Writes the field, what gives it its value, and its name in the places of the value. */
final class FieldEdits {

    private final Analysis before;
    private final AttributedFile code;
    private final SelectedExpression selected;
    private final String name;
    private final String visibility;
    private final TreePath owner;
    private final TypeWriter writer;
    private final List<Edit> edits = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();

    FieldEdits(Analysis before, AttributedFile code, SelectedExpression selected, String name, String visibility) {
        this.before = before;
        this.code = code;
        this.selected = selected;
        this.name = name;
        this.visibility = visibility;
        this.owner = selected.owner();
        this.writer = new TypeWriter(code);
    }

    /** Why the class cannot have such a field. */
    static Optional<Reason> obstacle(AttributedFile code, SelectedExpression selected) {
        Optional<Element> type = code.element(selected.owner());
        boolean isRecord = type.filter(element -> element.getKind() == ElementKind.RECORD).isPresent();
        boolean isInterface = type.filter(element -> element.getKind().isInterface()).isPresent();
        if (!isRecord && !isInterface) {
            return Optional.empty();
        }
        return Optional.of(Reason.at(code.file().path(), selected.range(), isRecord
                ? "a record has no fields but its components (JLS 8.10.3)"
                : "the fields of an interface are constants"));
    }

    /** Where a statement may stand that gives the field the value: nothing in between may do so, or read it. */
    static InsertionPoint home(AttributedFile code, SelectedExpression selected) {
        return new InsertionPointFinder(code, code.effects(selected.path()).and(Effects.READ)).find(selected.path());
    }

    Change change() {
        edits.addAll(writer.imports());
        return new Change("extract '" + code.shown(selected.range(), 50) + "' to the field " + name,
                List.of(new FileChange(code.file().path(), Optional.empty(), code.file().text(), edits)),
                SymbolEffects.same(), notes);
    }

    /** The field gets its value just before it is used. */
    Optional<Reason> setHere() {
        InsertionPoint home = home(code, selected);
        if (home instanceof InsertionPoint.Nowhere nowhere) {
            return Optional.of(Reason.at(code.file().path(), nowhere.at(), nowhere.sentence()));
        }
        Optional<String> type = type();
        if (type.isEmpty()) {
            return noName();
        }
        edits.addAll(new ExtractEdits(code, List
                .of(new VariableDeclaration(code, selected, name, VariableForm.ASSIGNED, writer)))
                .of(VariablePlacement.one(selected, home)));
        edits.add(declaration(visibility + (isStatic() ? "static " : "") + type.get(), Optional.empty()));
        noteSerial();
        notes.add("the field keeps the value; threads that run this for the same object would see each other's");
        return Optional.empty();
    }

    /** The field gets its value when the object is made. */
    Optional<Reason> setOnce(boolean inConstructors, boolean all) {
        Optional<Reason> objection = onceObjection(code, selected)
                .or(() -> isStatic() ? Optional.of(reason("there is no object here; extract a constant"))
                        : Optional.empty())
                .or(() -> new ConstructionEscape(code, owner).early());
        Optional<String> type = type();
        if (objection.isPresent() || type.isEmpty()) {
            return objection.or(this::noName);
        }
        List<TreePath> places = all && !selected.isPartOfChain(code)
                ? new SameValue(before, code, selected).within(owner).stream().filter(path -> !isStatic(path)).toList()
                : List.of(selected.path());
        places.forEach(place -> edits.add(selected.named(code, place, name)));
        edits.add(declaration(visibility + "final " + type.get(), inConstructors ? Optional.empty()
                : Optional.of(selected.range())));
        noteSerial();
        return inConstructors ? assignInConstructors() : Optional.empty();
    }

    /** Why a value is not the same for the whole life of an object; empty when it is. */
    static Optional<Reason> onceObjection(AttributedFile code, SelectedExpression selected) {
        return selected.variation(code).map(why -> Reason.at(code.file().path(), selected.range(), why));
    }

    private Edit declaration(String head, Optional<Range> value) {
        return new FieldDeclaration(code, owner, head, name, value).behindFields();
    }

    private Optional<Reason> assignInConstructors() {
        Layout layout = Layout.of(code.file());
        int count = 0;
        for (Tree member : ((ClassTree) owner.getLeaf()).getMembers()) {
            if (member instanceof MethodTree method && method.getReturnType() == null && code.find(method).isPresent()
                    && !callsAnother(method)) {
                Range body = code.range(method.getBody());
                String indent = Layout.indentOf(code.file(), code.range(method).start());
                int close = body.end() - 1;
                boolean isOnLine = code.file().content().substring(body.start(), close).lines().count() < 2;
                String newLine = layout.lineEnd() + indent + layout.unit();
                NewCode text = new NewCode(code.file()).write(isOnLine ? newLine : layout.unit()).name(name)
                        .write(" = ")
                        .carry(selected.range(), Layout.indentOf(code.file(), selected.range().start()),
                                indent + layout.unit(),
                                namesIn(new TreePath(new TreePath(owner, method), method.getBody())))
                        .write(";" + layout.lineEnd() + indent);
                edits.add(text.at(close));
                count++;
            }
        }
        return count > 0 ? Optional.empty()
                : Optional.of(reason("the class has no constructor; let the field get its value where it is declared"));
    }

    /** A parameter of a constructor may hide a field that the value needs. */
    private SortedMap<Range, Consumer<NewCode>> namesIn(TreePath body) {
        return new Transplant(code, code, body, writer, text -> { }).names(List.of(selected.path()), false);
    }

    private static boolean callsAnother(MethodTree constructor) {
        return constructor.getBody().getStatements().stream().limit(1)
                .anyMatch(first -> first instanceof ExpressionStatementTree alone
                        && alone.getExpression() instanceof MethodInvocationTree call
                        && call.getMethodSelect() instanceof IdentifierTree target && target.getName()
                        .contentEquals("this"));
    }

    private Optional<String> type() {
        return code.type(selected.path()).flatMap(writer::write);
    }

    private boolean isStatic() {
        return isStatic(selected.path());
    }

    /** Whether there is no object of the class in a place. */
    private boolean isStatic(TreePath place) {
        return before.enclosing(code.file().path(), code.range(place.getLeaf()).start()).stream()
                .filter(type -> code.element(owner).filter(type.element()::equals).isPresent())
                .anyMatch(Analysis.Enclosing::isStatic);
    }

    private void noteSerial() {
        Optional<TypeMirror> serial = Optional.ofNullable(code.elements().getTypeElement("java.io.Serializable"))
                .map(Element::asType);
        boolean isSerial = serial.isPresent() && !isStatic() && code.element(owner)
                .filter(type -> type.getKind() == ElementKind.CLASS && code.types()
                        .isSubtype(type.asType(), serial.get())).isPresent();
        if (isSerial) {
            notes.add("the class is Serializable: the field becomes part of what is written");
        }
    }

    private Optional<Reason> noName() {
        return Optional.of(reason("its type has no name that could be written here"));
    }

    private Reason reason(String sentence) {
        return Reason.at(code.file().path(), selected.range(), sentence);
    }
}
