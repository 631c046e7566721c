-- What paper goes into the printers of a workspace.
alter table workspace add column paper text not null default 'a4' constraint workspace_paper check (paper in ('a4', 'letter'));
grant update (paper) on workspace to ysodos_app;
