package dev.deftchisel.inline.call;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Opening;
import dev.deftchisel.rewrite.place.NeverNull;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.TypeElement;

/** What keeps a call from giving way to what the method does. */
public final class CallObjections {

    private final Analysis analysis;
    private final Optional<Opening> opening;
    private final CallSite site;
    private final AttributedFile code;
    private final Callee callee;

    /** @param opening opens what the method keeps to itself, if that is wished */
    public CallObjections(Analysis analysis, CallSite site, Optional<Opening> opening) {
        this.analysis = analysis;
        this.opening = opening;
        this.site = site;
        this.code = site.code();
        this.callee = site.callee();
    }

    /** The first one; empty when nothing is in the way. */
    public Optional<Reason> first() {
        Optional<ArgumentBinding> object = site.object();
        if (!code.sharesTypesWith(callee.code())) {
            return site.reason("the call is in a part of the workspace that is compiled apart from the method");
        } else if (callee.saysSuper() && (object.isPresent() || !code.enclosingType(site.path())
                .equals(Optional.of(callee.owner())))) {
            return site.reason("the method says 'super', which means another class here");
        } else if (isOfSuper()) {
            return site.reason("it is called on 'super', which says another class here");
        } else if (object.isPresent() && !object.get().isMissedAlike(callee)
                && !new NeverNull(analysis, code).isSure(object.get().value())) {
            return site.reason("'" + code.shown(code.range(object.get().tree()), 40)
                    + "' may be null, which the call finds out and the code in its place would not");
        } else if (callee.initialisesClass() && !isWithin(callee.owner())) {
            return site.reason("calling it runs the static initialiser of " + callee.owner().getSimpleName()
                    + " first, which the code in its place would not");
        } else if (isStaticOnObject()) {
            return site.reason("a static method is called on an object, which would no longer be evaluated");
        }
        return hidden().or(() -> new CallContext(site).objection());
    }

    /** What the method uses and the caller may not, unless it can be opened. */
    private Optional<Reason> hidden() {
        Optional<TypeElement> here = code.enclosingType(site.path());
        if (here.isEmpty()) {
            return Optional.empty();
        }
        Accessible accessible = new Accessible(code, here.get());
        for (Element element : accessible.hidden(callee)) {
            String uses = "the method uses " + Accessible.words(element);
            if (opening.isEmpty()) {
                return site.reason(uses + ", which " + element.getEnclosingElement().getSimpleName()
                        + " keeps to itself; access 'open' would open it");
            }
            Optional<String> objection = opening.get().open(callee.code().key(element), accessible.needed(element));
            if (objection.isPresent()) {
                return site.reason(uses + ", which " + objection.get());
            }
        }
        return Optional.empty();
    }

    /** Whether the call stands in a class, whose initialisation has begun then. */
    private boolean isWithin(TypeElement type) {
        for (TreePath at = site.path(); at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof ClassTree && code.element(at).filter(type::equals).isPresent()) {
                return true;
            }
        }
        return false;
    }

    private boolean isOfSuper() {
        return site.tree().getMethodSelect() instanceof MemberSelectTree select
                && select.getExpression().toString().matches("(.*\\.)?super");
    }

    private boolean isStaticOnObject() {
        return callee.isStatic() && site.tree().getMethodSelect() instanceof MemberSelectTree select
                && code.element(new TreePath(new TreePath(site.path(), select), select.getExpression()))
                .filter(element -> element instanceof TypeElement).isEmpty();
    }
}
