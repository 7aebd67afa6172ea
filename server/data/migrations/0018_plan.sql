-- What the shop keeps for its plan: who works when, what was promised, what engines wait for.
update house set document = document || '{"plan":{"hands":{},"engines":{},"order":[]}}' where not document ? 'plan';
