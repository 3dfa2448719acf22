package dev.deftchisel.member.parameter;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.change.Edit;
import dev.deftchisel.member.MemberInserter;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.member.WrittenMethod;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.type.TypeMirror;

/** Parameters of a constructor that it keeps in fields: those of their name that may take them, or new ones. */
public final class KeptParameters {

    private final TargetClass target;
    private final AttributedFile code;
    private final MethodTree constructor;
    private final List<? extends StatementTree> statements;

    /**
     * The parameters of one constructor.
     *
     * @param target      its class
     * @param constructor its declaration
     */
    public KeptParameters(TargetClass target, TreePath constructor) {
        this.target = target;
        this.code = target.code();
        this.constructor = (MethodTree) constructor.getLeaf();
        this.statements = new WrittenMethod(code, constructor).statements();
    }

    /** Whether the constructor leaves its work to another one of the class, which then has the fields. */
    public boolean isLeftToOther() {
        return !statements.isEmpty() && code.text(statements.get(0)).matches("(?s)this\\s*\\(.*");
    }

    /** Whether a parameter can be kept: there is a field that takes it, or none of its name. */
    public boolean canKeep(String name, TypeMirror type) {
        Optional<StateField> field = field(name);
        return !isLeftToOther() && (field.isEmpty() ? !target.memberNames().contains(name)
                : field.filter(part -> part.maySet() && code.types().isAssignable(type, part.type())).isPresent());
    }

    private Optional<StateField> field(String name) {
        return target.parts().stream().filter(part -> part.name().equals(name)).findFirst();
    }

    /**
     * The edits by which it keeps some of them.
     *
     * @param parameters in order, each of which can be kept
     */
    public List<Edit> keep(Map<String, TypeMirror> parameters, TypeWriter writer) {
        List<NewMember> fields = new ArrayList<>();
        boolean isOnly = target.constructors().size() == 1;
        Map<String, TypeMirror> fresh = new LinkedHashMap<>(parameters);
        fresh.keySet().removeIf(name -> field(name).isPresent());
        // what other constructors do not set cannot be final
        fresh.forEach((name, type) -> fields.add(NewMember.added(NewMember.Kind.FIELD, name, List.of("private "
                + (isOnly ? "final " : "") + writer.write(type).orElse(NamedTypes.shown(type)) + " " + name + ";"))));
        List<Edit> edits = new ArrayList<>(new MemberInserter(target).edits(fields));
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(constructor).start());
        NewCode text = new NewCode(code.file());
        parameters.keySet().forEach(name -> text.write(layout.lineEnd() + indent + layout.unit() + "this." + name
                + " = " + name + ";"));
        boolean isOnOneLine = code.text(constructor.getBody()).indexOf('\n') < 0;
        edits.add(text.write(isOnOneLine ? layout.lineEnd() + indent : "")
                .at(statements.isEmpty() ? code.range(constructor.getBody()).start() + 1
                        : Layout.after(code.file(), code.range(statements.get(statements.size() - 1)).end())));
        return edits;
    }
}
