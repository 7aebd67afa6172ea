-- Layouts learnt of cooler, turbo, piston jets and tensioner: builds recorded before have none of them.
update build set sheet = jsonb_set(sheet, '{layout}', '{"cooler": false, "turbo": false, "pistonJets": 0, "tensioner": false}'::jsonb || (sheet -> 'layout'));
